import type { Units } from '@/core/units'
import { findingsOfRuns } from './compute'
import { answerFor, type AskedFindings } from './openFindings'

/** Sentences of logs as they are; a log that grew is another one. */
const kept = new Map<string, Promise<string>>()
const MOST = 2000

/** The sentence that an answer begins with, under the plan's own knobs. Worked out once for each state of a log. */
export function leadOf(asked: AskedFindings, units: Units): Promise<string> {
  const { shown, chosen, settings } = asked
  const { checks, events } = shown.log
  const versions = checks.reduce((n, c) => n + c.versions + c.grades.length, 0)
  const key = [shown.row.id, versions, events.length, shown.log.state, units].join(' ')
  const old = kept.get(key)
  if (old) return old
  const made = findingsOfRuns(chosen, settings)
    .then((findings) => answerFor(asked, findings, units))
    .then((answer) => answer.lead)
  // One that failed is asked for again.
  made.catch(() => kept.delete(key))
  kept.set(key, made)
  if (kept.size > MOST) kept.delete(kept.keys().next().value!)
  return made
}
