import { inverse, type Place } from '@/core/geo/geodesic'
import type { CheckRow } from '@/core/formats/checks/checksCsv'
import { median } from '@/core/stats/numeric/median'

/** A mark whose place is hardly meant; whoever brings it in is asked. */
export interface MarkDoubt {
  mark: string
  line: number
  why: { kind: 'distance'; metres: number } | { kind: 'jump'; metres: number }
}

/** Nearer than this nobody walks to make a check, and farther than this no path on the ground goes, m. */
const NEAREST_M = 10
const FARTHEST_M = 1_000_000
/** A jump is so many times the way from mark to mark, and at least so far, m. */
const JUMP_TIMES = 15
const JUMP_M = 5000

/** Marks with a distance that is hardly meant, and those that lie far from the marks before and after them. */
export function doubtfulMarks(rows: readonly CheckRow[]): MarkDoubt[] {
  const first = [...new Map(rows.toReversed().map((r) => [r.mark, r])).values()].sort(
    (a, b) => a.line - b.line,
  )
  const far = first.flatMap(({ mark, line, lat, distanceM }): MarkDoubt[] =>
    lat === null && distanceM !== null && (distanceM < NEAREST_M || distanceM > FARTHEST_M)
      ? [{ mark, line, why: { kind: 'distance', metres: distanceM } }]
      : [],
  )
  const placed = first.flatMap(({ mark, line, lat, lon }): { mark: string; line: number; place: Place }[] =>
    lat !== null && lon !== null ? [{ mark, line, place: { lat, lon } }] : [],
  )
  if (placed.length < 4) return far
  const steps = placed.slice(1).map((m, i) => inverse(placed[i]!.place, m.place).distanceM)
  const least = Math.max(JUMP_M, JUMP_TIMES * median(steps))
  const jumps = placed.flatMap(({ mark, line }, i): MarkDoubt[] => {
    const beside = [steps[i - 1], steps[i]].filter((d) => d !== undefined)
    const nearest = Math.min(...beside)
    return nearest > least ? [{ mark, line, why: { kind: 'jump', metres: nearest } }] : []
  })
  return [...far, ...jumps]
}
