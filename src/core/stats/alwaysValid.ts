import type { Interval } from './pairedDifference'

/**
 * An interval that stays valid however often one looks and whenever one stops: a t-statistic mixture martingale,
 * mean ± (s/√n) √[ν (K-1) / (1 - K/(1+n g))], ν = n-1, g = 1, K = ((1+n g)/α²)^(1/n).
 * @param differences one for each mark, dB
 * @param alpha chance of ever missing the truth, 0.1 by default (about 3.3 standard errors at ten marks)
 * @returns both ends null while it is still infinite
 */
export function alwaysValidInterval(differences: readonly number[], alpha = 0.1): Interval {
  const n = differences.length
  if (n < 2) return { low: null, high: null }
  const mean = differences.reduce((s, v) => s + v, 0) / n
  const variance = differences.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1)
  const k = ((1 + n) / (alpha * alpha)) ** (1 / n)
  if (k >= 1 + n) return { low: null, high: null }
  const half = Math.sqrt(variance / n) * Math.sqrt(((n - 1) * (k - 1)) / (1 - k / (1 + n)))
  return { low: mean - half, high: mean + half }
}
