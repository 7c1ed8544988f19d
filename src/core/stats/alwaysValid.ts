import type { Interval } from './interval'
import { filled } from './numeric/filled'
import { normalPdf } from './numeric/normal'

/**
 * An interval that stays valid however often one looks and whenever one stops: a t-statistic mixture martingale,
 * mean ± (s/√n) √[ν (K-1) / (1 - K/(1+n g))], ν = n-1, g = 1, K = ((1+n g)/α²)^(1/n).
 * @param differences one for each mark, dB
 * @param alpha chance of ever missing the truth, 0.1 by default (about 3.3 standard errors at ten marks)
 * @param leastSd the differences are taken to be spread at least so much: what rounding to whole steps hides, dB
 * @returns both ends null while it is still infinite
 */
export function alwaysValidInterval(differences: readonly number[], alpha = 0.1, leastSd = 0): Interval {
  const n = differences.length
  if (n < 2) return { low: null, high: null }
  const mean = differences.reduce((s, v) => s + v, 0) / n
  const variance = Math.max(leastSd ** 2, differences.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1))
  const k = ((1 + n) / (alpha * alpha)) ** (1 / n)
  if (k >= 1 + n) return { low: null, high: null }
  const half = Math.sqrt(variance / n) * Math.sqrt(((n - 1) * (k - 1)) / (1 - k / (1 + n)))
  return { low: mean - half, high: mean + half }
}

/** What a difference that is there is expected to be about, dB: what the mixture is spread by. */
const MIXTURE_SD = 4
/** Draws whose tails are this little heavier than the normal's have the normal's. */
const LEAST_EXCESS = 0.1
/** Points looked at to either side, and how far apart in standard deviations. */
const SIDE = 80
const APART = 0.1

/**
 * The same for a figure known by draws of its posterior: all values against which the likelihood, mixed over
 * N(value, 4²), does not weigh 1/α times. Under the model that ratio is a martingale at the true value, so by Ville's
 * inequality the chance of ever leaving it out is at most α (Robbins 1970; that a posterior may serve: Waudby-Smith
 * and Ramdas 2020, the prior-posterior-ratio martingale). Steps, lost checks and whatever else the model knows
 * of are in the draws.
 * @param prior the normal that the posterior began from; its part is taken out again
 * @param alpha chance of ever missing the truth, 0.1 by default
 * @returns both ends null where the draws say no more than the prior
 */
export function alwaysValidOf(
  draws: ArrayLike<number>,
  prior: { mean: number; sd: number },
  alpha = 0.1,
): Interval {
  const likelihood = likelihoodOf(draws, prior)
  if (!likelihood) return { low: null, high: null }
  const { mean, sd, lnAt } = likelihood
  // Whole standard deviations of the mixture lie on the grid, as fine as the likelihood asks.
  const step = APART * sd
  const far = Math.ceil((4 * MIXTURE_SD) / step)
  const mixture = filled(2 * far + 1, (i) => Math.exp(-0.5 * (((i - far) * step) / MIXTURE_SD) ** 2))
  const whole = mixture.reduce((s, v) => s + v, 0)
  const n = SIDE + far
  const at = filled(2 * n + 1, (i) => Math.exp(lnAt(mean + (i - n) * step)))
  const held = (k: number) => {
    let sum = 0
    for (let i = 0; i <= 2 * far; i++) sum += mixture[i]! * at[k + i]!
    return sum / whole < at[k + far]! / alpha
  }
  let [low, high] = [SIDE, SIDE]
  while (low > 0 && held(low)) low--
  while (high < 2 * SIDE && held(high)) high++
  const value = (k: number) => mean + (k - SIDE) * step
  return {
    low: low === 0 ? null : value(low),
    high: high === 2 * SIDE ? null : value(high),
  }
}

/**
 * The chance, however often one looks, of the draws speaking so much against nought if it were true: one over the
 * likelihood's mean over N(0, 4²) against its height at nought, one at most.
 * @param prior as in {@link alwaysValidOf}
 */
export function alwaysValidP(draws: ArrayLike<number>, prior: { mean: number; sd: number }): number {
  const likelihood = likelihoodOf(draws, prior)
  if (!likelihood) return 1
  const { mean, sd, lnAt } = likelihood
  const [reach, step] = [10, 0.02]
  const top = lnAt(mean)
  let sum = 0
  for (let k = -reach; k <= reach; k += step) {
    const x = mean + k * sd
    sum += step * sd * Math.exp(lnAt(x) - top) * (normalPdf(x / MIXTURE_SD) / MIXTURE_SD)
  }
  return Math.min(1, Math.exp(lnAt(0) - top) / sum)
}

/** The likelihood that draws come from, as Student's t of their mean, spread and tails, the prior taken out. */
function likelihoodOf(draws: ArrayLike<number>, prior: { mean: number; sd: number }) {
  const n = draws.length
  const values = Array.from(draws)
  const mean = values.reduce((s, v) => s + v, 0) / n
  const square = values.reduce((s, v) => s + (v - mean) ** 2, 0) / n
  const fourth = values.reduce((s, v) => s + (v - mean) ** 4, 0) / n
  const precision = 1 / square - 1 / prior.sd ** 2
  if (!(precision * square > 0.05)) return null
  const variance = 1 / precision
  const middle = (mean / square - prior.mean / prior.sd ** 2) * variance
  const excess = fourth / square ** 2 - 3
  const nu = excess > LEAST_EXCESS ? 4 + 6 / excess : Infinity
  const scale = nu === Infinity ? variance : (variance * (nu - 2)) / nu
  const lnAt = (x: number) => {
    const z = (x - middle) ** 2 / scale
    return nu === Infinity ? -0.5 * z : -0.5 * (nu + 1) * Math.log1p(z / nu)
  }
  return { mean: middle, sd: Math.sqrt(variance), lnAt }
}
