/**
 * Exact two-sided sign test: the chance of a split at least this uneven when either is equally likely.
 * @param wins whole number, nought or more
 * @param losses whole number, nought or more; draws are left out before
 * @returns p value, 0 to 1; 1 where there is neither
 * @example signTest(9, 1) // 0.021484375, as R's binom.test(9, 10)
 */
export function exactSign(wins: number, losses: number): number {
  const n = wins + losses
  if (n === 0) return 1
  const least = Math.min(wins, losses)
  let term = Math.pow(0.5, n)
  let sum = term
  for (let i = 1; i <= least; i++) {
    term *= (n - i + 1) / i
    sum += term
  }
  return Math.min(1, 2 * sum)
}
