import { cholesky, forwardSolved } from './cholesky'
import { seededRandom } from './seededRandom'

/** Degrees of freedom of the proposal: tails heavier than a posterior's own. */
const FREEDOM = 6
/** Rounds after the first, and what each looks at, as a share of the draws wanted. */
const ROUNDS = 3
const EACH = 0.4

/** A multivariate t to draw from. */
interface Proposal {
  mean: readonly number[]
  /** Lower triangle of its scale. */
  l: readonly (readonly number[])[]
}

function logT({ mean, l }: Proposal, x: readonly number[]): number {
  const z = forwardSolved(
    l,
    x.map((v, i) => v - mean[i]!),
  )
  const square = z.reduce((sum, v) => sum + v * v, 0)
  const logDet = l.reduce((sum, row, i) => sum + Math.log(row[i]! || 1), 0)
  return -logDet - ((FREEDOM + mean.length) / 2) * Math.log(1 + square / FREEDOM)
}

/**
 * Draws from a density known up to a factor, by importance sampling in rounds: proposals from a multivariate
 * t about the mode, then from those about the mean and spread that all so far had by their weights, so that a
 * posterior that leans to one side is covered. All are weighed by the density over the mixture of all that
 * was proposed from (Cornuet and others 2012), and resampled evenly (Rubin 1988). Seeded.
 * @param logDensity up to a constant
 * @param mode where it is largest
 * @param covariance inverse of its curvature there
 * @param draws as many come back; {@link EACH} of them are looked at in each of four rounds
 */
export function importanceDraws(
  logDensity: (x: readonly number[]) => number,
  mode: readonly number[],
  covariance: readonly (readonly number[])[],
  draws: number,
  seed: number,
): number[][] {
  const random = seededRandom(seed)
  const each = Math.ceil(EACH * draws)
  const points: number[][] = []
  const logs: number[] = []
  const proposals: Proposal[] = []
  const propose = (proposal: Proposal) => {
    proposals.push(proposal)
    for (let k = 0; k < each; k++) {
      let chi = 0
      for (let i = 0; i < FREEDOM; i++) chi += random.normal() ** 2
      const stretch = Math.sqrt(FREEDOM / chi)
      const z = mode.map(() => random.normal() * stretch)
      const x = proposal.mean.map((m, i) => m + proposal.l[i]!.reduce((s, v, j) => s + v * z[j]!, 0))
      points.push(x)
      logs.push(logDensity(x))
    }
  }
  const weigh = () => {
    const ratios = points.map((x, k) => {
      const parts = proposals.map((p) => logT(p, x))
      const top = Math.max(...parts)
      return logs[k]! - top - Math.log(parts.reduce((s, v) => s + Math.exp(v - top), 0))
    })
    const top = Math.max(...ratios)
    return ratios.map((v) => Math.exp(v - top))
  }
  propose({ mean: mode, l: cholesky(covariance) })
  for (let round = 0; round < ROUNDS; round++) {
    const { mean, spread } = weighted(points, weigh(), covariance)
    propose({ mean, l: cholesky(spread) })
  }
  return resampled(points, weigh(), draws)
}

/** Mean and covariance by weights, the latter drawn some way towards what was thought before, since weights are few. */
function weighted(
  points: readonly (readonly number[])[],
  weights: readonly number[],
  before: readonly (readonly number[])[],
) {
  const total = weights.reduce((s, v) => s + v, 0)
  const n = before.length
  const mean = Array.from(
    { length: n },
    (_, i) => points.reduce((s, x, k) => s + weights[k]! * x[i]!, 0) / total,
  )
  const effective = total ** 2 / weights.reduce((s, v) => s + v * v, 0)
  const trust = effective / (effective + 3 * n)
  const spread = before.map((row, i) =>
    row.map(
      (v, j) =>
        (1 - trust) * v +
        (trust * points.reduce((s, x, k) => s + weights[k]! * (x[i]! - mean[i]!) * (x[j]! - mean[j]!), 0)) /
          total,
    ),
  )
  return { mean, spread }
}

function resampled(points: readonly number[][], weights: readonly number[], draws: number): number[][] {
  const total = weights.reduce((s, v) => s + v, 0)
  const found: number[][] = []
  let sum = 0
  let at = -1
  for (let k = 0; k < draws; k++) {
    const goal = ((k + 0.5) / draws) * total
    while (sum < goal && at < points.length - 1) sum += weights[++at]!
    found.push(points[Math.max(0, at)]!)
  }
  return found
}
