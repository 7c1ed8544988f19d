import { inverseSpd, solveSpd } from '../numeric/cholesky'
import { normalCdf, normalPdf } from '../numeric/normal'

/** One observation: somewhere in (lower, upper]; equal ends are an exact value, an infinite end is open. */
export interface IntervalObservation {
  /** Regressors, a constant among them where one is wanted. */
  x: readonly number[]
  lower: number
  upper: number
}

export interface IntervalRegression {
  coefficients: number[]
  /** Standard deviation about the line, in the unit of the observations. */
  sd: number
  logLikelihood: number
  /** Covariance of the coefficients and ln sd, in that order. */
  covariance: number[][]
  converged: boolean
}

const ROUNDS = 60
const ENOUGH = 1e-10
/** A spread narrower than this, as a share of the first guess, is a perfect fit and not an estimate. */
const NARROWEST = 1e-4

/** What one observation adds: log likelihood, and its derivatives by mean and ln sd. */
interface Piece {
  log: number
  m: number
  s: number
  mm: number
  ms: number
  ss: number
}

const density = (z: number) => (Number.isFinite(z) ? normalPdf(z) : 0)
const times = (z: number, d: number) => (d === 0 ? 0 : z * d)

function pieceOf(lower: number, upper: number, mean: number, sd: number, into: Piece): void {
  if (lower === upper) {
    const z = (lower - mean) / sd
    into.log = -0.5 * z * z - Math.log(sd) - 0.9189385332046727
    into.m = z / sd
    into.s = z * z - 1
    into.mm = -1 / (sd * sd)
    into.ms = (-2 * z) / sd
    into.ss = -2 * z * z
    return
  }
  const zl = (lower - mean) / sd
  const zu = (upper - mean) / sd
  // The tail on which the two stay apart is taken, so that no digits are lost far out.
  const p = Math.max(zl > 0 ? normalCdf(-zl) - normalCdf(-zu) : normalCdf(zu) - normalCdf(zl), 1e-300)
  const [dl, du] = [density(zl), density(zu)]
  const g1 = (dl - du) / p
  const [tl, tu] = [times(zl, dl), times(zu, du)]
  const g2 = (tl - tu) / p
  const [cl, cu] = [times(zl, tl), times(zu, tu)]
  into.log = Math.log(p)
  into.m = g1 / sd
  into.s = g2
  into.mm = (g2 - g1 * g1) / (sd * sd)
  into.ms = (-(dl - cl - (du - cu)) / p - g1 * g2) / sd
  into.ss = -(tl - times(zl, cl) - (tu - times(zu, cu))) / p - g2 * g2
}

/** A first guess: least squares on the middles, open ends taken a little inside. */
function firstGuess(data: readonly IntervalObservation[], p: number): { beta: number[]; sd: number } {
  const finite = data.filter((d) => Number.isFinite(d.lower) && Number.isFinite(d.upper))
  const width = finite.length > 0 ? finite.reduce((s, d) => s + d.upper - d.lower, 0) / finite.length || 1 : 1
  const y = data.map((d) => {
    if (Number.isFinite(d.lower) && Number.isFinite(d.upper)) return (d.lower + d.upper) / 2
    return Number.isFinite(d.lower) ? d.lower + width / 2 : d.upper - width / 2
  })
  const xtx = Array.from({ length: p }, (_, i) =>
    Array.from({ length: p }, (_, j) => data.reduce((s, d) => s + d.x[i]! * d.x[j]!, 0)),
  )
  const xty = Array.from({ length: p }, (_, i) => data.reduce((s, d, k) => s + d.x[i]! * y[k]!, 0))
  const beta = solveSpd(xtx, [xty])?.[0] ?? new Array<number>(p).fill(0)
  const rest = data.reduce((s, d, k) => s + (y[k]! - d.x.reduce((t, v, i) => t + v * beta[i]!, 0)) ** 2, 0)
  return { beta, sd: Math.max(Math.sqrt(rest / Math.max(1, data.length)), width / 4, 1e-6) }
}

/**
 * Regression of a normal quantity known only to lie in intervals, by maximum likelihood (Newton's method with halved
 * steps): left, right and interval censoring as in Tobin (1958) and Kalbfleisch and Prentice, The Statistical
 * Analysis of Failure Time Data. Checked against R's survival::survreg in the tests.
 * @param data at least one observation more than there are regressors; open at both ends it says nothing and
 *   is passed over
 * @returns null where the regressors are not independent, or where nothing bounds the spread
 * @example intervalRegression([{ x: [1], lower: 2, upper: 4 }, { x: [1], lower: 5, upper: 7 }, { x: [1],
 *   lower: 3, upper: Infinity }])
 */
export function intervalRegression(data: readonly IntervalObservation[]): IntervalRegression | null {
  const used = data.filter((d) => Number.isFinite(d.lower) || Number.isFinite(d.upper))
  const p = used[0]?.x.length ?? 0
  if (p === 0 || used.length <= p) return null
  const guess = firstGuess(used, p)
  const theta = [...guess.beta, Math.log(guess.sd)]
  const least = Math.log(guess.sd * NARROWEST)
  const piece: Piece = { log: 0, m: 0, s: 0, mm: 0, ms: 0, ss: 0 }
  const flat = Float64Array.from(used.flatMap((d) => d.x))
  const n = used.length
  const meanAt = (t: readonly number[], k: number) => {
    let mean = 0
    for (let i = 0; i < p; i++) mean += flat[k * p + i]! * t[i]!
    return mean
  }
  const logAt = (t: readonly number[]) => {
    const sd = Math.exp(t[p]!)
    let sum = 0
    for (let k = 0; k < n; k++) {
      pieceOf(used[k]!.lower, used[k]!.upper, meanAt(t, k), sd, piece)
      sum += piece.log
    }
    return sum
  }
  let value = logAt(theta)
  let converged = false
  let information: number[][] = []
  for (let round = 0; round < ROUNDS && !converged; round++) {
    const sd = Math.exp(theta[p]!)
    const gradient = new Array<number>(p + 1).fill(0)
    information = Array.from({ length: p + 1 }, () => new Array<number>(p + 1).fill(0))
    for (let k = 0; k < n; k++) {
      pieceOf(used[k]!.lower, used[k]!.upper, meanAt(theta, k), sd, piece)
      for (let i = 0; i < p; i++) {
        const xi = flat[k * p + i]!
        gradient[i]! += piece.m * xi
        for (let j = 0; j <= i; j++) information[i]![j]! -= piece.mm * xi * flat[k * p + j]!
        information[p]![i]! -= piece.ms * xi
      }
      gradient[p]! += piece.s
      information[p]![p]! -= piece.ss
    }
    for (let i = 0; i <= p; i++) for (let j = i + 1; j <= p; j++) information[i]![j] = information[j]![i]!
    const step = ascent(information, gradient)
    if (!step) return null
    let share = 1
    let next = theta.map((t, i) => t + step[i]!)
    let nextValue = logAt(next)
    while (!(nextValue >= value - 1e-12) && share > 1e-6) {
      share /= 2
      next = theta.map((t, i) => t + share * step[i]!)
      nextValue = logAt(next)
    }
    converged = Math.abs(nextValue - value) < ENOUGH * (1 + Math.abs(value)) && share === 1
    theta.splice(0, theta.length, ...next)
    value = nextValue
    if (theta[p]! < least) return null
  }
  const covariance = inverseSpd(information)
  if (!covariance) return null
  return {
    coefficients: theta.slice(0, p),
    sd: Math.exp(theta[p]!),
    logLikelihood: value,
    covariance,
    converged,
  }
}

/** Newton's step; where the information is not definite its diagonal is raised until it is (Levenberg). */
function ascent(information: readonly (readonly number[])[], gradient: readonly number[]): number[] | null {
  for (let raise = 0; raise < 1e6; raise = raise === 0 ? 1e-3 : raise * 10) {
    const raised = information.map((row, i) =>
      row.map((v, j) => (i === j ? v + raise * (Math.abs(v) + 1e-9) : v)),
    )
    const step = solveSpd(raised, [gradient])?.[0]
    if (step && step.every(Number.isFinite)) return step
  }
  return null
}
