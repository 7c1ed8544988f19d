/** One yes-or-no result at a place on the axis. */
export interface Outcome {
  x: number
  copied: boolean
  /** How many such; 1 where left out. */
  times?: number
}

const logistic = (eta: number) => (eta >= 0 ? 1 / (1 + Math.exp(-eta)) : Math.exp(eta) / (1 + Math.exp(eta)))

/**
 * Log likelihood of a logistic line with Firth's penalty, half the log determinant of the information (Firth 1993):
 * what keeps it finite on perfectly separated results.
 * @param intercept, slope of the log odds against x
 */
export function penalisedLogLikelihood(
  outcomes: readonly Outcome[],
  intercept: number,
  slope: number,
): number {
  let log = 0
  let s0 = 0
  let s1 = 0
  let s2 = 0
  for (const { x, copied, times = 1 } of outcomes) {
    const eta = intercept + slope * x
    // With e = exp(-|η|) the likelier of the two has 1/(1+e) and the other e/(1+e), and their product is w.
    const e = Math.exp(-Math.abs(eta))
    log -= times * (Math.log1p(e) + (copied === eta >= 0 ? 0 : Math.abs(eta)))
    const w = (times * e) / ((1 + e) * (1 + e))
    s0 += w
    s1 += w * x
    s2 += w * x * x
  }
  return log + 0.5 * Math.log(Math.max(s0 * s2 - s1 * s1, 1e-300))
}

/**
 * Firth's penalised logistic regression of yes or no on one variable, by Newton steps on the modified score.
 * @param outcomes at least two different x, each counted once
 * @throws RangeError where all x are the same
 */
export function firthLogistic(outcomes: readonly Outcome[]): {
  intercept: number
  slope: number
  logLikelihood: number
} {
  const n = outcomes.length
  const mean = outcomes.reduce((s, o) => s + o.x, 0) / n
  const scale = Math.sqrt(outcomes.reduce((s, o) => s + (o.x - mean) ** 2, 0) / n)
  if (!(scale > 0)) throw new RangeError('all results lie at the same place')
  const z = outcomes.map((o) => ({ x: (o.x - mean) / scale, copied: o.copied }))
  let b0 = 0
  let b1 = 0
  for (let round = 0; round < 200; round++) {
    const p = z.map((o) => logistic(b0 + b1 * o.x))
    let [s0, s1, s2] = [0, 0, 0]
    z.forEach((o, i) => {
      const w = p[i]! * (1 - p[i]!)
      s0 += w
      s1 += w * o.x
      s2 += w * o.x * o.x
    })
    const det = s0 * s2 - s1 * s1
    let [u0, u1] = [0, 0]
    z.forEach((o, i) => {
      const w = p[i]! * (1 - p[i]!)
      const hat = (w * (s2 - 2 * s1 * o.x + s0 * o.x * o.x)) / det
      const r = (o.copied ? 1 : 0) - p[i]! + hat * (0.5 - p[i]!)
      u0 += r
      u1 += r * o.x
    })
    const d0 = (s2 * u0 - s1 * u1) / det
    const d1 = (s0 * u1 - s1 * u0) / det
    const shrink = Math.min(1, 2 / Math.max(Math.abs(d0), Math.abs(d1), 1e-12))
    b0 += shrink * d0
    b1 += shrink * d1
    if (Math.abs(d0) + Math.abs(d1) < 1e-10) break
  }
  const slope = b1 / scale
  const intercept = b0 - slope * mean
  return { intercept, slope, logLikelihood: penalisedLogLikelihood(outcomes, intercept, slope) }
}
