'use server'

import { good, type Outcome } from '@/core/outcome'
import { id, MAX_LETTERS, record, text } from '@/core/schema'
import { addTrial, db, deleteTrial } from '@/data'
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

/** Deletes a trial and its runs, but never a check that no file holds. */
export async function removeTrial(trialId: string): Promise<Outcome> {
  return act(record({ trialId: id() }), { trialId }, (v) => deleteTrial(db(), v.trialId))
}
