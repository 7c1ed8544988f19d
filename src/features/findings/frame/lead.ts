import type { Units } from '@/core/units'
import { keeper } from '@/server/keeper'
import { findingsOfRuns } from './compute'
import { answerFor, type AskedFindings } from './openFindings'

/** Sentences of logs as they are; a log that grew is another one. */
const kept = keeper<Promise<string>>(2000)

/** The sentence that an answer begins with, under the plan's own knobs. Worked out once for each state of a log. */
export function leadOf(asked: AskedFindings, units: Units): Promise<string> {
  const { shown, chosen, settings } = asked
  const { checks, events } = shown.log
  const versions = checks.reduce((n, c) => n + c.versions + c.grades.length, 0)
  const key = [shown.row.id, versions, events.length, shown.log.state, units].join(' ')
  return kept(key, async () => (await answerFor(asked, await findingsOfRuns(chosen, settings), units)).lead)
}
