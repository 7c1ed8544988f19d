import { cholesky } from './cholesky'
import { seededRandom } from './seededRandom'

/** Degrees of freedom of the proposal: tails heavier than a posterior's own. */
const FREEDOM = 6

/**
 * Draws from a density known up to a factor: proposals from a multivariate t about its mode, weighed by the density over
 * the proposal's and resampled evenly (sampling importance resampling, Rubin 1988). Seeded.
 * @param logDensity up to a constant
 * @param mode where it is largest
 * @param covariance inverse of its curvature there
 */
export function importanceDraws(
  logDensity: (x: readonly number[]) => number,
  mode: readonly number[],
  covariance: readonly (readonly number[])[],
  draws: number,
  seed: number,
): number[][] {
  const random = seededRandom(seed)
  const l = cholesky(covariance)
  const n = mode.length
  const points: number[][] = []
  const logs: number[] = []
  for (let k = 0; k < draws; k++) {
    let chi = 0
    for (let i = 0; i < FREEDOM; i++) chi += random.normal() ** 2
    const stretch = Math.sqrt(FREEDOM / chi)
    const z = mode.map(() => random.normal() * stretch)
    const x = mode.map((m, i) => m + l[i]!.reduce((s, v, j) => s + v * z[j]!, 0))
    const square = z.reduce((s, v) => s + v * v, 0)
    points.push(x)
    logs.push(logDensity(x) + ((FREEDOM + n) / 2) * Math.log(1 + square / FREEDOM))
  }
  const top = Math.max(...logs)
  const weights = logs.map((v) => Math.exp(v - top))
  const total = weights.reduce((s, v) => s + v, 0)
  const found: number[][] = []
  let sum = 0
  let at = -1
  for (let k = 0; k < draws; k++) {
    const goal = ((k + 0.5) / draws) * total
    while (sum < goal && at < draws - 1) sum += weights[++at]!
    found.push(points[Math.max(0, at)]!)
  }
  return found
}
