import { measuredSlope, type LevelAt, type MeasuredSlope } from '@/core/reach/measuredSlope'
import type { FindingsInput } from '../input'
import { cellsIn } from '../levels'

/** The slope of this ground from a run's reports in dB; null where they cannot tell it. */
export function slopeOfRun(input: FindingsInput): MeasuredSlope | null {
  const { checks, cells } = cellsIn(input)
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
