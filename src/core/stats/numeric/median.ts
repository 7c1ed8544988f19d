/**
 * The middle of some figures, between the two middle ones where they are even in number.
 * @param values in any order, not empty
 * @example median([3, 1, 2, 10]) // 2.5
 */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}
