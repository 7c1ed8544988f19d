import { checkReader } from './checkReader'
import { standingChecks, type LoggedCheck, type RunLog } from './foldEntries'
import type { TrialPlan } from './plan'
import { marksNow } from './schedule'

/** From this chance of copy on, silence surprises. */
const EXPECTED = 0.7

/** A check that was silent where nobody would have thought so, and why nobody would. */
export interface Surprising {
  check: LoggedCheck
  because: string
}

/**
 * The newest check, where it was not heard although the ground let expect it or the same link was heard farther out on
 * that leg in that direction; null where it was no surprise, or was looked into already.
 * @param chance of copy that was expected there, 0 to 1; null where it is not known
 */
export function surprisingSilence(
  plan: TrialPlan,
  log: RunLog,
  chance: (linkId: string, markId: string) => number | null,
): Surprising | null {
  const checks = standingChecks(log).filter((c) => c.state === 'graded')
  const check = checks.at(-1)
  const read = checkReader(plan.scales)
  const stateOf = (c: LoggedCheck) => read(c).state
  if (!check || stateOf(check) !== 'not heard') return null
  const isAsked = log.events.some(
    ({ time, body }) =>
      (body.kind === 'other' && body.what === 'test' && body.detail.about === check.id) ||
      ((body.kind === 'noise' || body.kind === 'scan') && body.markId === check.markId && time >= check.time),
  )
  if (isAsked) return null
  const expected = chance(check.linkId, check.markId)
  if (expected !== null && expected >= EXPECTED)
    return { check, because: `where ${Math.round(10 * expected)} times in 10 was expected` }
  const marks = new Map(marksNow(plan, log).map((m) => [m.id, m]))
  const here = marks.get(check.markId)
  const isFarther = checks.some((c) => {
    const mark = marks.get(c.markId)
    return (
      here !== undefined &&
      mark?.legId === here.legId &&
      mark.distanceM > here.distanceM &&
      c.linkId === check.linkId &&
      c.direction === check.direction &&
      stateOf(c) === 'heard'
    )
  })
  return isFarther ? { check, because: 'though it was heard farther out' } : null
}
