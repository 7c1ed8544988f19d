import type { Direction } from '@/core/kit/rig/rig'
import { onceEach } from '@/core/onceEach'
import { cellMiddle, shiftCell, type LevelCell } from '@/core/stats/scales/levelCell'
import type { FindingsInput, ReadCheck } from '../input'
import type { CellsById } from '../levels'

/** Reports of two links at one mark or in one round, in groups that share a level: a direction, in a run. */
export type PairedCells = { direction: Direction; a: LevelCell[]; b: LevelCell[] }[]

/** What one mark's reports in a direction allow of the difference, dB. */
export interface DifferencePoint {
  markId: string
  distanceM: number
  direction: Direction
  low: number | null
  high: number | null
}

/**
 * The reports of two links by mark or round, those of A with what is known to favour it taken out; a group for each
 * direction and, where runs are put together, each run.
 */
export function pairedCells(
  units: readonly (readonly ReadCheck[])[],
  cells: CellsById,
  linkA: string,
  linkB: string,
  directions: readonly Direction[],
  known: (d: Direction) => number,
): PairedCells[] {
  const runs: (string | undefined)[] = []
  for (const unit of units) for (const c of unit) if (!runs.includes(c.runId)) runs.push(c.runId)
  const evened = directions.map((d) =>
    onceEach((calls: readonly LevelCell[]) => calls.map((cell) => shiftCell(cell, known(d)))),
  )
  return units.map((unit) => {
    const groups: PairedCells[number][] = []
    for (const c of unit) {
      const here = cells.get(c.id)
      const d = directions.indexOf(c.direction)
      if (!here || d < 0 || (c.linkId !== linkA && c.linkId !== linkB)) continue
      const group = (groups[d * runs.length + runs.indexOf(c.runId)] ??= {
        direction: c.direction,
        a: [],
        b: [],
      })
      if (c.linkId === linkA) group.a.push(...evened[d]!(here.calls))
      else group.b.push(...here.calls)
    }
    // Those of no report are left out; the others stay in their order.
    return groups.filter(Boolean)
  })
}

/** The highest lower end of some cells, and the lowest upper one. */
function innerEnds(cells: readonly LevelCell[]): { lower: number; upper: number } {
  const inner = { lower: -Infinity, upper: Infinity }
  for (const { lower, upper } of cells) {
    inner.lower = Math.max(inner.lower, lower)
    inner.upper = Math.min(inner.upper, upper)
  }
  return inner
}

/** The widest and narrowest difference that single reports of one mark and direction leave, the first of each link. */
export function pointsOf(input: FindingsInput, marks: readonly PairedCells[]): DifferencePoint[] {
  const points: DifferencePoint[] = []
  const finite = (v: number) => (Number.isFinite(v) ? v : null)
  marks.forEach((groups, i) => {
    for (const { direction, a, b } of groups) {
      if (a.length === 0 || b.length === 0) continue
      const [p, q] = [innerEnds(a), innerEnds(b)]
      const low = finite(p.lower - q.upper)
      const high = finite(p.upper - q.lower)
      if (low === null && high === null) continue
      const [from, to] = low !== null && high !== null && low > high ? [high, low] : [low, high]
      const { id: markId, distanceM } = input.marks[i]!
      points.push({ markId, distanceM, direction, low: from, high: to })
    }
  })
  return points
}

/** The mean of the middles of some cells; null of none, or where one is open. */
function meanMiddle(cells: readonly LevelCell[]): number | null {
  let sum = 0
  for (const cell of cells) {
    const middle = cellMiddle(cell)
    if (middle === null) return null
    sum += middle
  }
  return cells.length > 0 ? sum / cells.length : null
}

/** Mean difference of the middles at one mark or in one round, where both are bounded. */
export function middleDifference(groups: PairedCells): number[] {
  let [sum, n] = [0, 0]
  for (const { a, b } of groups) {
    const [ma, mb] = [meanMiddle(a), meanMiddle(b)]
    if (ma === null || mb === null) continue
    sum += ma - mb
    n++
  }
  return n > 0 ? [sum / n] : []
}
