import { groupedBy } from '@/core/groupedBy'
import { checkReader } from './checkReader'
import { standingChecks, type LoggedCheck, type RunLog } from './foldEntries'
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
  const said = groupedBy(standingChecks(log), (c) => `${c.linkId} ${c.markId}`)
  const read = checkReader(plan.scales)
  const isSilent = (c: LoggedCheck) => read(c).state === 'not heard'
  return plan.links.flatMap(({ id: linkId }) => {
    const at = (m: Mark) => said.get(`${linkId} ${m.id}`)
    const last = marks.filter(at).slice(-SILENT_MARKS)
    if (last.length < SILENT_MARKS || !last.every((m) => at(m)!.every(isSilent))) return []
    const here = last.at(-1)!
    const open = schedule(plan, log).filter((c) => c.state === 'to do' && c.linkId === linkId)
    if (open.some((c) => c.markId === here.id)) return []
    const farther = keysFarther(plan, log, linkId, here)
    return farther.length > 0 ? [{ linkId, marks: last, farther }] : []
  })
}
