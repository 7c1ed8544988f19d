import betaQuantile from '@stdlib/stats-base-dists-beta-quantile'

/**
 * Exact (Clopper-Pearson) interval for a share.
 * @param k successes, 0 to n
 * @param n tries, 1 or more
 * @param confidence 0 to 1, 0.9 by default
 * @throws RangeError when k is not within 0..n
 * @example clopperPearson(8, 10) // low 0.4931, high 0.9632, as R's binom.test(8, 10, conf.level = 0.9)
 */
export function clopperPearson(k: number, n: number, confidence = 0.9): { low: number; high: number } {
  if (!(n >= 1 && k >= 0 && k <= n)) throw new RangeError(`k ${k} must be within 0 and n ${n}`)
  const tail = (1 - confidence) / 2
  return {
    low: k === 0 ? 0 : betaQuantile(tail, k, n - k + 1),
    high: k === n ? 1 : betaQuantile(1 - tail, k + 1, n - k),
  }
}
