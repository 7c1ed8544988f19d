'use server'

import { good, refuse, type Outcome } from '@/core/outcome'
import { checked, id, MAX_LETTERS, record, text } from '@/core/schema'
import { addTrial, db, deleteTrial, trialContents, type TrialContents } from '@/data'
import { act } from '@/server/act'

const newTrial = record({
  name: text(MAX_LETTERS.trialName).required('Give the trial a name, such as "Short or long antenna".'),
  question: text(MAX_LETTERS.question).default(''),
})

/** Makes a trial. @returns its id */
export async function makeTrial(raw: unknown): Promise<Outcome<string>> {
  // The seed only has to differ between trials; it is kept with the plan, so the order can be made again.
  return act(newTrial, raw, ({ name, question }) =>
    good(addTrial(db(), name, question, Date.now() % 1_000_000)),
  )
}

/** What goes when a trial is deleted. */
export async function whatGoes(trialId: string): Promise<Outcome<TrialContents>> {
  const input = checked(record({ trialId: id() }), { trialId })
  if (!input.ok) return input
  const contents = trialContents(db(), input.value.trialId)
  return contents ? good(contents) : refuse('This trial is no longer there.')
}

const removal = record({ trialId: id(), written: text(64).nullable().defined() })

/** Deletes a trial. @param written the digest of the file that its checks were written to; null for none */
export async function removeTrial(trialId: string, written: string | null): Promise<Outcome> {
  return act(removal, { trialId, written }, (v) => deleteTrial(db(), v.trialId, v.written))
}
