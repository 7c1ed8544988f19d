import { filled } from '@/core/stats/numeric/filled'
import { logBetaBinomial } from '@/core/stats/scales/betaBinomial'
import { normalCdf } from '@/core/stats/numeric/normal'
import type { Part } from './callParts'
import type { ModelPriors } from './priors'

/** The table runs so far to either side of the level at which half the words are copied, dB. */
const FAR_DB = 60
const STEP_DB = 0.5
const N = (2 * FAR_DB) / STEP_DB + 1

/** ln of the chance of k of n words against the level over that of half the words, and its derivatives. */
export interface ShareTable {
  at: (overDb: number) => { log: number; d: number; dd: number }
}

/**
 * The chance of k of n words at a steady level: beta-binomial about a logistic mean, words of one call being alike.
 * @param overDb the call's level over that at which half the words are copied
 */
export function shareChance(k: number, n: number, overDb: number, priors: ModelPriors): number {
  const m = Math.min(1 - 1e-9, Math.max(1e-9, 1 / (1 + Math.exp(-overDb / priors.wordWidthDb))))
  const s = 1 / priors.withinCall - 1
  return Math.exp(logBetaBinomial(k, n, m, s) + logChoose(n, k)) * (1 - priors.stray) + priors.stray / (n + 1)
}

function logChoose(n: number, k: number): number {
  let sum = 0
  for (let i = 1; i <= k; i++) sum += Math.log((n - k + i) / i)
  return sum
}

/** Shares of a call's spread by whole steps of the table, from -reach to reach. */
function kernelOf(call: readonly Part[]): Float64Array {
  const reach = Math.ceil((4.5 * Math.max(...call.map((p) => p.width))) / STEP_DB)
  return filled(2 * reach + 1, (i) => {
    const at = (i - reach) * STEP_DB
    const cdf = (x: number, width: number) => normalCdf(x / width)
    return call.reduce(
      (sum, { share, width }) => sum + share * (cdf(at + STEP_DB / 2, width) - cdf(at - STEP_DB / 2, width)),
      0,
    )
  })
}

/** The chance of k of n words at each steady level of the table. */
export function stillShares(k: number, n: number, priors: ModelPriors): Float64Array {
  return filled(N, (i) => shareChance(k, n, i * STEP_DB - FAR_DB, priors))
}

/** Averages over a call's spread; the table is smooth, and read by a cubic between its places. */
export function shareTable(still: Float64Array, call: readonly Part[]): ShareTable {
  const kernel = kernelOf(call)
  const reach = (kernel.length - 1) / 2
  const logs = filled(N, (i) => {
    let p = 0
    for (let j = 0; j < kernel.length; j++)
      p += kernel[j]! * still[Math.max(0, Math.min(N - 1, i + j - reach))]!
    return Math.log(p)
  })
  return {
    at: (overDb) => {
      const x = Math.max(1, Math.min(N - 3.000001, (overDb + FAR_DB) / STEP_DB))
      const i = Math.floor(x)
      const t = x - i
      const [p, q, r, s] = [logs[i - 1]!, logs[i]!, logs[i + 1]!, logs[i + 2]!]
      // Uniform cubic B-spline of the logarithms: twice smooth, as Newton's method needs it.
      const [u, v] = [1 - t, t * t]
      return {
        log:
          (u * u * u * p + (3 * v * t - 6 * v + 4) * q + (3 * u * u * u - 6 * u * u + 4) * r + v * t * s) / 6,
        d: (-u * u * p + (3 * v - 4 * t) * q + (-3 * u * u + 4 * u) * r + v * s) / (2 * STEP_DB),
        dd: (u * p + (3 * t - 2) * q + (3 * u - 2) * r + t * s) / (STEP_DB * STEP_DB),
      }
    },
  }
}
