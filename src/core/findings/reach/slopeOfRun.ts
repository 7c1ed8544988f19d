import { measuredSlope, type LevelAt, type MeasuredSlope } from '@/core/reach/measuredSlope'
import { cellsOf } from '../levels'
import { readChecks, type FindingsInput } from '../input'

/** The slope of this ground from a run's reports in dB; null where they cannot tell it. */
export function slopeOfRun(input: FindingsInput): MeasuredSlope | null {
  const { checks } = readChecks(input)
  const sets = cellsOf(input, checks)
  const cells = sets[Math.floor(sets.length / 2)]!
  const distance = new Map(input.marks.map((m) => [m.id, m.distanceM]))
  const levels: LevelAt[] = checks.flatMap((c) => {
    const cell = cells.get(c.id)
    const distanceM = distance.get(c.markId)
    return cell && distanceM
      ? [
          {
            markId: c.markId,
            group: `${c.linkId} ${c.direction}`,
            distanceM,
            lower: cell.lower,
            upper: cell.upper,
          },
        ]
      : []
  })
  return measuredSlope(levels)
}
