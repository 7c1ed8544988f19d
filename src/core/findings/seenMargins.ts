import { listenerOf } from '@/core/kit/rig/rig'
import { expectedAt, type PlanGround } from '@/core/reach/planGround'
import { linkKey } from '@/core/reach/linkKey'
import type { MarginSeen } from '@/core/reach/correction/learnCorrection'
import { isCopiedBy, type FindingsInput } from './input'
import { cellsIn } from './levels'

/**
 * What a log says of the margins that were predicted for it: of each check whether the copy was as agreed, and what a
 * meter said, at marks whose ground is known.
 * @param ground of the same plan, before any check
 */
export function seenMargins(input: FindingsInput, ground: Pick<PlanGround, 'expected'>): MarginSeen[] {
  const expected = expectedAt(ground.expected)
  const links = new Map(input.links.map((l) => [l.id, l]))
  const marks = new Map(input.marks.map((m) => [m.id, m]))
  const { checks, cells } = cellsIn(input)
  return checks.flatMap((check): MarginSeen[] => {
    const { direction } = check
    const [link, mark] = [links.get(check.linkId), marks.get(check.markId)]
    if (!link || !mark || direction === 'loop' || mark.lat === null || mark.lon === null) return []
    const key = linkKey(link)
    const there = expected(mark.id, key, direction)
    if (!there) return []
    const one = {
      ...{ checkId: check.id, key, direction, distanceM: mark.distanceM },
      place: { lat: mark.lat, lon: mark.lon },
      // An attenuator that was put in out there weakened what was seen, and is no part of the path.
      predictedDb: there.marginDb - check.attenuationDb,
      doubtDb: there.doubtDb,
    }
    const seen: MarginSeen[] = []
    const copied = isCopiedBy(input, check)
    if (copied !== null)
      seen.push({ ...one, meter: null, lower: copied ? 0 : -Infinity, upper: copied ? Infinity : 0 })
    const cell = cells.get(check.id)
    const meter = listenerOf(direction)
    // Silence says the same as the copy that was not had; a level is what only a meter tells.
    if (cell && !cell.notHeard && !cell.inWords)
      seen.push({ ...one, predictedDb: there.marginDb, meter, lower: cell.lower, upper: cell.upper })
    return seen
  })
}
