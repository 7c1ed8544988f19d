'use server'

import { DONE, good, refuse, type Outcome } from '@/core/outcome'
import { checked, flag, id, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import { QUESTION_KINDS } from '@/core/trial'
import {
  addTrial,
  archiveTrial,
  copyTrial,
  db,
  deleteTrial,
  listTrials,
  trialContents,
  type TrialContents,
} from '@/data'
import { act } from '@/server/act'

const newTrial = record({
  kind: oneOf(QUESTION_KINDS),
  name: text(MAX_LETTERS.trialName).required('Give the trial a name, such as "Short or long antenna".'),
  question: text(MAX_LETTERS.question).default(''),
})

/** A name that no trial has: with a number behind it where the one wanted is taken. */
function freeName(wanted: string): string {
  const taken = new Set(listTrials(db()).map((t) => t.name))
  let name = wanted
  for (let n = 2; taken.has(name); n++) name = `${wanted} ${n}`
  return name
}

/** Makes a trial of a kind. @returns its id */
export async function makeTrial(raw: unknown): Promise<Outcome<string>> {
  // The seed only has to differ between trials; it is kept with the plan, so the order can be made again.
  return act(newTrial, raw, ({ kind, name, question }) =>
    good(addTrial(db(), freeName(name), question, Date.now() % 1_000_000, kind)),
  )
}

const like = record({ trialId: id() })

/** Begins a trial like another: its question, rigs, plan and ground, none of its runs. @returns its id */
export async function takeLike(trialId: string): Promise<Outcome<string>> {
  return act(like, { trialId }, (v) => {
    const row = listTrials(db()).find((t) => t.id === v.trialId)
    const copy = row && copyTrial(db(), row.id, freeName(row.name), Date.now() % 1_000_000, true)
    return copy ? good(copy) : refuse('This trial is no longer there.')
  })
}

const away = record({ trialId: id(), away: flag().required() })

/** Puts a trial away, or back among the others. */
export async function putAway(trialId: string, isAway: boolean): Promise<Outcome> {
  return act(away, { trialId, away: isAway }, (v) => {
    archiveTrial(db(), v.trialId, v.away)
    return DONE
  })
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
