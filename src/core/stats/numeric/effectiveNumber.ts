/**
 * How many draws of equal weight are worth as much as weighted ones (Kish 1965).
 * @param weights none below nought, not all nought
 * @example effectiveNumber([1, 1, 0]) // 2
 */
export function effectiveNumber(weights: ArrayLike<number>): number {
  let [sum, squares] = [0, 0]
  for (let i = 0; i < weights.length; i++) {
    sum += weights[i]!
    squares += weights[i]! ** 2
  }
  return sum ** 2 / squares
}
