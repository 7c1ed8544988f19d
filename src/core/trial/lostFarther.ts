import { listenerOf } from '@/core/kit/rig/rig'
import { readReport } from '@/core/reports/readReport'
import { standingChecks, type RunLog } from './foldEntries'
import { keyOf, type CheckKey, type Mark, type TrialPlan } from './plan'
import { marksNow, schedule } from './schedule'

/** So many silent marks one after another, and it is offered to leave a link out farther on. */
const SILENT_MARKS = 2

/** The checks of a link still to be made farther out on the leg of a mark, that mark left as it is. */
export function keysFarther(plan: TrialPlan, log: RunLog, linkId: string, mark: Mark): CheckKey[] {
  return schedule(plan, log)
    .filter(
      (c) =>
        c.state === 'to do' &&
        c.linkId === linkId &&
        c.mark.legId === mark.legId &&
        c.mark.distanceM > mark.distanceM,
    )
    .map(keyOf)
}

/** A link that is silent, the marks where it was, and what could be left out. */
export interface Silent {
  linkId: string
  marks: Mark[]
  farther: CheckKey[]
}

/**
 * Links whose every check was made and silent at the two last marks of a leg that they were asked at, and still to
 * be asked farther out on it.
 */
export function silentLinks(plan: TrialPlan, log: RunLog, legId: string): Silent[] {
  const marks = marksNow(plan, log)
    .filter((m) => m.legId === legId)
    .sort((a, b) => a.distanceM - b.distanceM)
  const checks = standingChecks(log)
  /** Null where it was not asked there. */
  const isSilent = (linkId: string, markId: string): boolean | null => {
    const mine = checks.filter((c) => c.linkId === linkId && c.markId === markId)
    const states = mine.map((c) => readReport(c.text, plan.scales[listenerOf(c.direction)]).state)
    return states.length === 0 ? null : states.every((s) => s === 'not heard')
  }
  return plan.links.flatMap(({ id: linkId }) => {
    const asked = marks.filter((m) => isSilent(linkId, m.id) !== null)
    const last = asked.slice(-SILENT_MARKS)
    if (last.length < SILENT_MARKS || !last.every((m) => isSilent(linkId, m.id))) return []
    const open = schedule(plan, log).some(
      (c) => c.state === 'to do' && c.linkId === linkId && c.markId === last.at(-1)!.id,
    )
    if (open) return []
    const farther = keysFarther(plan, log, linkId, last.at(-1)!)
    return farther.length > 0 ? [{ linkId, marks: last, farther }] : []
  })
}
