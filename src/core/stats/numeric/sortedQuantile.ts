/**
 * The value nearest to a share of a sorted list, nought to one; not interpolated.
 * @param sorted ascending, not empty
 */
export function sortedQuantile(sorted: ArrayLike<number>, p: number): number {
  return sorted[Math.round(p * (sorted.length - 1))]!
}
