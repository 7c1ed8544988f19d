import lgamma from '@stdlib/math-base-special-gammaln'
import { descend } from '../numeric/descend'
import { normalCdf } from '../numeric/normal'
import { normalQuantile } from '../numeric/normalQuantile'
import type { Interval } from '../interval'

/** Words copied, or packets received, in one call. */
export interface CountAt {
  /** 0 for link A, 1 for link B. */
  link: 0 | 1
  /** lg of the distance, or anything else that the share falls with. */
  x: number
  k: number
  n: number
}

export interface CountDifference {
  /** Share that A and B copy in the middle of what was tested, 0 to 1. */
  shareA: number
  shareB: number
  /** A - B, share points 0 to 1, and their interval. */
  difference: number
  interval90: Interval
  chanceAIsBetter: number
  /** Correlation of words of one call, 0 to 1: how far they share one fade. */
  within: number
  calls: number
}

const MIN = 8

/**
 * ln of the beta-binomial chance of k of n, without the binomial coefficient.
 * @param m mean 0 to 1
 * @param s a + b, above nought
 */
export function logBetaBinomial(k: number, n: number, m: number, s: number): number {
  const [a, b] = [m * s, (1 - m) * s]
  return lgamma(a + k) - lgamma(a) + lgamma(b + n - k) - lgamma(b) - lgamma(s + n) + lgamma(s)
}

/**
 * Two links by words or packets copied: beta-binomial with a logit mean that is linear in x and the same
 * slope for both, since the words of one call share one fade. Weak priors: slope N(0, 20), difference N(0,
 * 3), ln of the overdispersion s ~ N(ln 4, 1.5).
 * @returns null below eight calls of each link
 */
export function betaBinomialDifference(calls: readonly CountAt[]): CountDifference | null {
  const [a, b] = [0, 1].map((l) => calls.filter((c) => c.link === l && c.n > 0)) as [CountAt[], CountAt[]]
  if (a.length < MIN || b.length < MIN) return null
  const all = [...a, ...b]
  const middle = all.reduce((s, c) => s + c.x, 0) / all.length
  const logistic = (v: number) => Math.min(1 - 1e-6, Math.max(1e-6, 1 / (1 + Math.exp(-v))))
  const cost = (p: readonly number[]) => {
    const [level, delta, slope, logS] = p as [number, number, number, number]
    let log = -0.5 * ((slope / 20) ** 2 + (delta / 3) ** 2 + ((logS - Math.log(4)) / 1.5) ** 2)
    for (const c of all) {
      const m = logistic(level + (c.link === 0 ? delta / 2 : -delta / 2) + slope * (c.x - middle))
      log += logBetaBinomial(c.k, c.n, m, Math.exp(logS))
    }
    return -log
  }
  const found = descend(cost, [0, 0, -2, Math.log(4)], [0.5, 0.5, 1, 0.5])
  const { covariance } = found
  if (!covariance) return null
  const [level, delta, , logS] = found.x as [number, number, number, number]
  const se = Math.sqrt(covariance[1]![1]!)
  const shareA = logistic(level + delta / 2)
  const shareB = logistic(level - delta / 2)
  const of = (d: number) => logistic(level + d / 2) - logistic(level - d / 2)
  const half = normalQuantile(0.95) * se
  return {
    shareA,
    shareB,
    difference: shareA - shareB,
    interval90: { low: of(delta - half), high: of(delta + half) },
    chanceAIsBetter: normalCdf(delta / se),
    within: 1 / (1 + Math.exp(logS)),
    calls: all.length,
  }
}
