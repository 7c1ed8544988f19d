/** Whole numbers in proportion to weights that add up to n, the rests carried on from one to the next. */
export function evenShares(weights: ArrayLike<number>, n: number): number[] {
  const total = Array.from(weights).reduce((s, w) => s + w, 0)
  let [sum, given] = [0, 0]
  return Array.from(weights, (w) => {
    sum += w / total
    const upTo = Math.round(sum * n)
    const mine = upTo - given
    given = upTo
    return mine
  })
}
