import { normalQuantile } from './normal'

/** A slope by the median of all slopes between two points of the same series. */
export interface TheilSen {
  slope: number
  low: number
  high: number
  /** Pairs of points that it rests on. */
  pairs: number
}

/**
 * The slope that several series have in common, each with a level of its own: the median of the slopes
 * between all pairs of points of the same series (Theil 1950, Sen 1968), with the interval by the ranks of
 * Kendall's S, its variance summed over the series (Hirsch, Slack and Smith 1982).
 * @param series points with x and y; points of one series at the same x tell nothing
 * @param confidence of the interval, 0.9 by default
 * @returns null below six pairs
 */
export function theilSen(
  series: readonly (readonly { x: number; y: number }[])[],
  confidence = 0.9,
): TheilSen | null {
  const slopes: number[] = []
  let variance = 0
  for (const points of series) {
    const n = points.length
    variance += (n * (n - 1) * (2 * n + 5)) / 18
    for (let i = 0; i < n; i++)
      for (let j = i + 1; j < n; j++) {
        const dx = points[j]!.x - points[i]!.x
        if (Math.abs(dx) > 1e-9) slopes.push((points[j]!.y - points[i]!.y) / dx)
      }
  }
  const pairs = slopes.length
  if (pairs < 6) return null
  slopes.sort((a, b) => a - b)
  const reach = normalQuantile((1 + confidence) / 2) * Math.sqrt(variance)
  const at = (rank: number) => slopes[Math.max(0, Math.min(pairs - 1, Math.round(rank)))]!
  const middle = (pairs - 1) / 2
  return {
    slope: (slopes[Math.floor(middle)]! + slopes[Math.ceil(middle)]!) / 2,
    low: at((pairs - reach) / 2 - 1),
    high: at((pairs + reach) / 2),
    pairs,
  }
}
