/** A value and how much it weighs, nought or more. */
export interface Weighted {
  value: number
  weight: number
}

/**
 * Quantiles of weighted values: the first whose weight together with all below reaches each share.
 * @param ps going up, 0 to 1
 */
export function weightedQuantiles(values: readonly Weighted[], ps: readonly number[]): number[] {
  const sorted = [...values].sort((a, b) => a.value - b.value)
  const total = sorted.reduce((sum, v) => sum + v.weight, 0)
  let [sum, k] = [0, 0]
  return ps.map((p) => {
    while (k < sorted.length - 1 && sum + sorted[k]!.weight < p * total) sum += sorted[k++]!.weight
    return sorted[k]!.value
  })
}
