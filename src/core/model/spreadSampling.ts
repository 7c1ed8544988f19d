import { cholesky, forwardSolved } from '@/core/stats/numeric/cholesky'
import { effectiveNumber } from '@/core/stats/numeric/effectiveNumber'
import type { SeededRandom } from '@/core/stats/numeric/seededRandom'
import { ellipticalSlice } from './ellipticalSlice'
import { evenNormals } from './evenNormals'
import { paretoShape } from './paretoShape'
import { peakOf, type Peak } from './peak'

/** A point of the spreads, with the logarithm of its density up to a constant. */
interface SampledPoint<T> {
  theta: Float64Array
  ln: number
  /** What was worked out there. */
  of: T
}

export interface SampledSpreads<T> {
  points: SampledPoint<T>[]
  /** Adding up to one. */
  weights: Float64Array
  /** Effective number of points. */
  effective: number
  /** Pareto k of the weights' tail; above 0.7 they are not to be trusted. */
  paretoK: number
  rounds: number
  /** The rounds were not enough, and a walk took over. */
  slower: boolean
  /** Neither was enough. */
  poor: boolean
}

export interface SamplingPlan {
  /** Points of the first round, about the peak, and of the second, about what the first say by their weights. */
  first: number
  second: number
  /** Of each round after these, and how many of them at most. */
  further: number
  maxFurther: number
  /** Fewer effective points than this are too few. */
  minEffective: number
  maxParetoK: number
}

export const SAMPLING: SamplingPlan = {
  first: 60,
  second: 80,
  further: 80,
  maxFurther: 5,
  minEffective: 60,
  maxParetoK: 0.7,
}

/** Of a log so long that its spreads are known closely: they matter less than the time that each point takes. */
export const SAMPLING_OF_LONG: SamplingPlan = {
  ...SAMPLING,
  first: 32,
  second: 44,
  further: 44,
  minEffective: 30,
}

/** A normal to propose from. */
interface Normal {
  mean: Float64Array
  /** Lower triangle of its covariance. */
  l: number[][]
  lnDet: number
}

/** What was proposed from: a normal, stretched or not, and how often. */
interface Proposal {
  share: number
  normal: Normal
  stretch: number
}

/** Parts of a mixture to propose from. */
type Mixture = { weight: number; normal: Normal; stretch: number }[]

const NARROW = 0.7
const WIDE = 1.5
const mixtureOf = (normal: Normal): Mixture => [
  { weight: NARROW, normal, stretch: 1 },
  { weight: 1 - NARROW, normal, stretch: WIDE },
]

function normalOf(mean: Float64Array, covariance: number[][]): Normal {
  const l = cholesky(covariance)
  return { mean, l, lnDet: l.reduce((s, row, i) => s + Math.log(row[i]!), 0) }
}

function lnNormal({ mean, l, lnDet }: Normal, stretch: number, x: Float64Array): number {
  const z = forwardSolved(
    l,
    Array.from(x, (v, i) => v - mean[i]!),
  )
  const square = z.reduce((s, v) => s + v * v, 0) / (stretch * stretch)
  return -0.5 * square - lnDet - x.length * Math.log(stretch)
}

const lnSum = (values: readonly number[]) => {
  const top = Math.max(...values)
  return top + Math.log(values.reduce((s, v) => s + Math.exp(v - top), 0))
}

function normalised(lns: readonly number[], temper = 1): Float64Array {
  const top = Math.max(...lns)
  const w = Float64Array.from(lns, (v) => Math.exp(temper * (v - top)))
  const sum = w.reduce((s, v) => s + v, 0)
  return w.map((v) => v / sum)
}

/** The largest power of the weights, one at most, that leaves enough of them. */
function tempered(lns: readonly number[], enough: number): { weights: Float64Array; temper: number } {
  const whole = normalised(lns)
  if (effectiveNumber(whole) >= enough) return { weights: whole, temper: 1 }
  let [low, high] = [0, 1]
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2
    if (effectiveNumber(normalised(lns, middle)) >= enough) low = middle
    else high = middle
  }
  return { weights: normalised(lns, low), temper: low }
}

/**
 * Points of the spreads in rounds: first from a narrow and a wide normal about their peak, then about what all
 * points so far say by their weights. All are weighed against the mixture of all
 * that was proposed from (adaptive importance sampling with deterministic mixture weights: Cornuet, Marin, Mira and
 * Robert 2012). Where the weights are too uneven, further rounds follow; where these are not enough, a walk.
 * @param at ln of the density at a point, the prior N(0, I) in it; null where it cannot be worked out
 * @param start about where its peak is, where something tells
 */
export function sampleSpreads<T>(
  dimensions: number,
  at: (theta: Float64Array) => { ln: number; of: T } | null,
  random: SeededRandom,
  plan: SamplingPlan = SAMPLING,
  start: Peak | null = null,
): SampledSpreads<T> {
  const points: SampledPoint<T>[] = []
  const proposals: Proposal[] = []
  let [total, rounds] = [0, 0]
  const propose = (parts: Mixture, n: number) => {
    for (const part of parts) {
      const size = Math.round(part.weight * n)
      proposals.push({ share: size, normal: part.normal, stretch: part.stretch })
      total += size
      for (const z of evenNormals(dimensions, size, random)) {
        const theta = Float64Array.from(part.normal.mean, (m, i) => {
          let v = m
          for (let j = 0; j <= i; j++) v += part.normal.l[i]![j]! * z[j]! * part.stretch
          return v
        })
        const found = at(theta)
        if (found && Number.isFinite(found.ln)) points.push({ theta, ...found })
      }
    }
    rounds++
  }
  const lnWeights = () =>
    points.map(
      ({ theta, ln }) =>
        ln -
        lnSum(
          proposals.map(
            ({ share, normal, stretch }) => Math.log(share / total) + lnNormal(normal, stretch, theta),
          ),
        ),
    )
  const adapted = (): Mixture => {
    const { weights, temper } = tempered(lnWeights(), 3 * dimensions)
    const mean = Float64Array.from({ length: dimensions }, (_, i) =>
      points.reduce((s, p, k) => s + weights[k]! * p.theta[i]!, 0),
    )
    // Few points understate the spread; a narrow posterior would never be met with more than this.
    const loose = temper < 1
    const covariance = Array.from({ length: dimensions }, (_, i) =>
      Array.from({ length: dimensions }, (__, j) => {
        const c = points.reduce(
          (s, p, k) => s + weights[k]! * (p.theta[i]! - mean[i]!) * (p.theta[j]! - mean[j]!),
          0,
        )
        const more = i === j ? (loose ? 0.02 : 0.0005) : 0
        return (c + more) * (loose ? 1.2 : 1)
      }),
    )
    return mixtureOf(normalOf(mean, covariance))
  }
  const peak = peakOf(dimensions, (x) => at(x)?.ln ?? -Infinity, start)
  propose(mixtureOf(normalOf(peak.x, peak.covariance)), plan.first)
  propose(adapted(), plan.second)
  for (let further = 0; ; further++) {
    const weights = normalised(lnWeights())
    const effective = effectiveNumber(weights)
    const paretoK = paretoShape(weights)
    const good = effective >= plan.minEffective && paretoK <= plan.maxParetoK
    if (good) return { points, weights, effective, paretoK, rounds, slower: false, poor: false }
    if (further >= plan.maxFurther) {
      const walked = plan.maxFurther > 0 ? walk(points, weights, at, random) : null
      return walked
        ? { ...walked, rounds, slower: true, poor: false }
        : { points, weights, effective, paretoK, rounds, slower: false, poor: true }
    }
    propose(adapted(), plan.further)
  }
}

const WALK = { steps: 450, evaluations: 1200 }
const WALK_FIRST = 50
const WALK_KEEPS = 2
/** Fewer points of it than this say no more than the uneven weights do. */
const WALK_LEAST = 60

/** Points of a walk from the likeliest one, each as likely as every other; null where it does not get far. */
function walk<T>(
  points: readonly SampledPoint<T>[],
  weights: Float64Array,
  at: (theta: Float64Array) => { ln: number; of: T } | null,
  random: SeededRandom,
): Pick<SampledSpreads<T>, 'points' | 'weights' | 'effective' | 'paretoK'> | null {
  const best = points[weights.indexOf(Math.max(...weights))]
  if (!best) return null
  const square = (t: Float64Array) => t.reduce((s, v) => s + v * v, 0)
  const likelihood = (theta: Float64Array) => {
    const found = at(theta)
    return found && Number.isFinite(found.ln) ? { ...found, ln: found.ln + 0.5 * square(theta) } : null
  }
  const kept = ellipticalSlice(best.theta, WALK, likelihood, random).filter(
    (_, i) => i >= WALK_FIRST && i % WALK_KEEPS === 0,
  )
  const n = kept.length
  if (n < WALK_LEAST) return null
  return {
    points: kept.map((p) => ({ ...p, ln: p.ln - 0.5 * square(p.theta) })),
    weights: new Float64Array(n).fill(1 / n),
    effective: n / WALK_KEEPS,
    paretoK: 0,
  }
}
