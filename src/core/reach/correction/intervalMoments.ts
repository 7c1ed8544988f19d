import { normalCdf, normalPdf } from '@/core/stats/numeric/normal'
import { quickNormalCdf } from '@/core/stats/numeric/quickNormalCdf'

/** What an interval says of a normal latent: the chance of it, and the latent's mean and variance given it. */
export interface Moments {
  lnZ: number
  mean: number
  variance: number
}

/** Chances below this are taken at their edge. */
const LEAST = 1e-10

/**
 * Moments of a latent N(mean, variance) given that it, with noise of its own, fell between two bounds.
 * @param noise standard deviation, above 0
 */
export function intervalMoments(
  mean: number,
  variance: number,
  lower: number,
  upper: number,
  noise: number,
): Moments {
  const s = Math.sqrt(variance + noise * noise)
  const [a, b] = [(lower - mean) / s, (upper - mean) / s]
  // On the side where it is far from one, the difference of two chances keeps its digits.
  const z = a > 0 ? normalCdf(-a) - normalCdf(-b) : normalCdf(b) - normalCdf(a)
  if (!(z > LEAST)) return atEdge(mean, variance, mean < lower ? lower : upper, noise)
  const pa = Number.isFinite(a) ? normalPdf(a) : 0
  const pb = Number.isFinite(b) ? normalPdf(b) : 0
  const slope = (pa - pb) / (s * z)
  const bend =
    slope * slope + ((Number.isFinite(b) ? b * pb : 0) - (Number.isFinite(a) ? a * pa : 0)) / (s * s * z)
  return {
    lnZ: Math.log(z),
    mean: mean + variance * slope,
    variance: Math.max(1e-6 * variance, variance - variance * variance * bend),
  }
}

/** Where the interval is next to impossible: as if its nearer edge had been measured. */
function atEdge(mean: number, variance: number, edge: number, noise: number): Moments {
  const total = variance + noise * noise
  const gain = variance / total
  return {
    lnZ: Math.log(LEAST) - (edge - mean) ** 2 / (2 * total),
    mean: mean + gain * (edge - mean),
    variance: variance * (1 - gain),
  }
}

/**
 * What intervals say of a latent where what was seen is that latent and something of its own, N(0, ownSd²), that all of
 * them share.
 */
export function momentsBehind(
  mean: number,
  variance: number,
  ownSd: number,
  intervals: readonly { lower: number; upper: number }[],
  noise: number,
): Moments {
  const whole = variance + ownSd * ownSd
  const seen = jointMoments(mean, whole, intervals, noise)
  const share = variance / whole
  return {
    lnZ: seen.lnZ,
    mean: mean + share * (seen.mean - mean),
    variance: share * (ownSd * ownSd + share * seen.variance),
  }
}

/** Below this chance the digits of the quick table count. */
const QUICK_LEAST = 1e-5
/** Places of a sum over a product of intervals, and how far out it goes, in spreads. */
const [POINTS, OUT] = [121, 7]

/**
 * The same for several intervals that were seen of one latent, each with noise of its own: the sum over an even grid
 * where both the latent and what was seen can be. As intervals one by one they would be counted as if they knew nothing
 * of each other.
 */
function jointMoments(
  mean: number,
  variance: number,
  intervals: readonly { lower: number; upper: number }[],
  noise: number,
): Moments {
  const [first] = intervals
  if (intervals.length === 1) return intervalMoments(mean, variance, first!.lower, first!.upper, noise)
  const sd = Math.sqrt(variance)
  const lows = intervals.map((v) => v.lower).filter(Number.isFinite)
  const highs = intervals.map((v) => v.upper).filter(Number.isFinite)
  let from = mean - OUT * sd
  let to = mean + OUT * sd
  if (lows.length > 0) from = Math.max(from, Math.min(...lows, ...highs) - OUT * noise)
  if (highs.length > 0) to = Math.min(to, Math.max(...highs, ...lows) + OUT * noise)
  if (!(to > from)) return atEdge(mean, variance, (from + to) / 2, noise)
  const sums = (cdf: (z: number) => number) => {
    const step = (to - from) / (POINTS - 1)
    let [z, m, v] = [0, 0, 0]
    for (let k = 0; k < POINTS; k++) {
      const x = from + k * step
      let w = Math.exp(-((x - mean) ** 2) / (2 * variance)) / (sd * Math.sqrt(2 * Math.PI))
      for (const { lower, upper } of intervals) w *= cdf((upper - x) / noise) - cdf((lower - x) / noise)
      z += w * step
      m += w * x * step
      v += w * x * x * step
    }
    return { z, m, v }
  }
  const quick = sums(quickNormalCdf)
  const { z, m, v } = quick.z > QUICK_LEAST ? quick : sums(normalCdf)
  if (!(z > 1e-200)) return atEdge(mean, variance, (from + to) / 2, noise)
  return { lnZ: Math.log(z), mean: m / z, variance: Math.max(1e-6 * variance, v / z - (m / z) ** 2) }
}
