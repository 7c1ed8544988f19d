import { cellMiddle } from '@/core/stats/levelCell'
import { theilSen, type TheilSen } from '@/core/stats/theilSen'
import type { FindingsInput, ReadCheck } from '../input'
import type { CellsById } from '../levels'

/** How levels moved while everything stayed as it was. */
export interface Drift {
  /** dB an hour. */
  slope: TheilSen
  /** The control link alone told it; otherwise whatever was checked again at the same place. */
  byControl: boolean
  hours: number
  surely: boolean
}

const SAME_VISIT_MINUTES = 10

/**
 * Drift within a run: the same link, mark and direction checked again at another time, by the control link
 * where it was.
 * @returns null where too little was checked again, ten minutes or more later
 */
export function driftOf(input: FindingsInput, checks: readonly ReadCheck[], cells: CellsById): Drift | null {
  const seriesOf = (list: readonly ReadCheck[]) => {
    const series = new Map<string, { x: number; y: number }[]>()
    for (const c of list) {
      const [cell, at] = [cells.get(c.id), Date.parse(c.time) / 3_600_000]
      const middle = cell ? cellMiddle(cell) : null
      if (middle === null || !Number.isFinite(at)) continue
      const key = `${c.runId ?? ''} ${c.linkId} ${c.markId} ${c.direction}`
      series.set(key, [...(series.get(key) ?? []), { x: at, y: middle }])
    }
    // Calls of one visit are one look at the hour.
    return [...series.values()].filter(
      (s) => (Math.max(...s.map((p) => p.x)) - Math.min(...s.map((p) => p.x))) * 60 >= SAME_VISIT_MINUTES,
    )
  }
  const control = seriesOf(checks.filter((c) => c.linkId === input.controlLinkId))
  const byControl = theilSen(control)
  const series = byControl ? control : seriesOf(checks)
  const slope = byControl ?? theilSen(series)
  if (!slope) return null
  const times = series.flat().map((p) => p.x)
  return {
    slope,
    byControl: byControl !== null,
    hours: Math.max(...times) - Math.min(...times),
    surely: slope.low > 0 || slope.high < 0,
  }
}
