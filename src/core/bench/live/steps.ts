import { median } from '@/core/stats/numeric/median'

/** A place where a level changed for good. */
export interface Step {
  /** Index of the first reading after it. */
  at: number
  /** What it rose by; below 0 it fell. */
  by: number
}

/** A step is one where it exceeds so many standard deviations of the difference of both means. */
const SURE = 4.5
const FEWEST_BETWEEN = 3

/**
 * Steps in a run of readings, by binary segmentation: the place where two means part the readings best, again on either
 * side, as long as it is sure. The spread is taken from differences of neighbours, which a step hardly moves (von
 * Neumann and others 1941; 1.4826 of the median, so that steps do not count).
 * @param values in their order
 */
export function stepsIn(values: readonly number[]): Step[] {
  const apart = values.slice(1).map((v, i) => Math.abs(v - values[i]!))
  if (apart.length < 2 * FEWEST_BETWEEN) return []
  const typical = (1.4826 * median(apart)) / Math.SQRT2
  // Whole steps of the instrument: neighbours are often equal, and the spread then is that of rounding.
  const grain = Math.min(...apart.filter((v) => v > 0), Infinity)
  const sd = Math.max(typical, Number.isFinite(grain) ? grain / Math.sqrt(12) : 0) || 1e-9
  const sums = [0]
  for (const v of values) sums.push(sums[sums.length - 1]! + v)
  const mean = (from: number, to: number) => (sums[to]! - sums[from]!) / (to - from)
  const found: Step[] = []
  const part = (from: number, to: number): void => {
    let best = { at: -1, score: 0, by: 0 }
    for (let at = from + FEWEST_BETWEEN; at <= to - FEWEST_BETWEEN; at++) {
      const by = mean(at, to) - mean(from, at)
      const score = Math.abs(by) / (sd * Math.sqrt(1 / (at - from) + 1 / (to - at)))
      if (score > best.score) best = { at, score, by }
    }
    if (best.score < SURE) return
    found.push({ at: best.at, by: best.by })
    part(from, best.at)
    part(best.at, to)
  }
  part(0, values.length)
  return found.sort((a, b) => a.at - b.at)
}

/** States by the steps, beginning with the one given: each step turns in into out and back. */
export function statesBySteps(n: number, steps: readonly Step[], first: 'in' | 'out'): ('in' | 'out')[] {
  const other = { in: 'out', out: 'in' } as const
  return Array.from({ length: n }, (_, i) =>
    steps.filter((s) => s.at <= i).length % 2 === 0 ? first : other[first],
  )
}
