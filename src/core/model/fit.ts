import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { evenShares } from './evenShares'
import { Field } from './field'
import { factorAt, type Mode } from './mode'
import { Modes } from './modes'
import { MODEL_PRIORS, spreadCount, spreadsAt, type ModelPriors, type Spreads } from './priors'
import { modelData, type ModelData, type ModelInput } from './reports'
import { SAMPLING, sampleSpreads, type SamplingPlan } from './spreadSampling'

/** A point of the spreads with the field's mode there. */
export interface FieldPoint {
  theta: Float64Array
  spreads: Spreads
  mode: Mode
}

/** Spreads that draws were made at, and each listener's cuts at the field's mode there. */
export interface FitPoint {
  theta: Float64Array
  spreads: Spreads
  cuts: Float64Array[]
  /** Its share of the posterior, and Laplace's evidence there. */
  weight: number
  evidence: number
}

/** One draw of everything, as likely as every other. */
export interface Draw {
  /** Which of the fit's points it was made at. */
  point: number
  /** The field: own, ground, shared. */
  x: Float64Array
}

/** A run under the model: draws from which every answer is read. */
export interface ModelFit {
  data: ModelData
  field: Field
  points: FitPoint[]
  draws: Draw[]
  quality: FitQuality
}

interface FitQuality {
  /** Effective number of points of the spreads, and of draws. */
  effectivePoints: number
  effectiveDraws: number
  paretoK: number
  rounds: number
  /** Neither the usual rounds nor the further ones were enough, and a walk took over. */
  slower: boolean
  /** Not even the walk got far: what is found is not to be leant on. */
  poor: boolean
  newtonSteps: number
}

export interface FitSettings {
  priors: ModelPriors
  sampling: SamplingPlan
  draws: number
  seed: number
}

const FIT_SETTINGS: FitSettings = { priors: MODEL_PRIORS, sampling: SAMPLING, draws: 1200, seed: 1 }

/** A draw's weight against Laplace's approximation is cut off here. */
const MAX_LN_WEIGHT = 3
const MIN_EFFECTIVE_DRAWS = 200

/**
 * Fits the joint model: for each point of the spreads the field's mode and Laplace's approximation about it,
 * importance sampling over the spreads, and draws of the field, each weighed by the exact posterior over the
 * approximation it was drawn from. The same reports give the same draws.
 */
export function fitModel(input: ModelInput, settings: Partial<FitSettings> = {}): ModelFit {
  const { priors, sampling, draws: wanted, seed } = { ...FIT_SETTINGS, ...settings }
  const data = modelData(input)
  const field = new Field(data, priors)
  const random = seededRandom(seed)
  const modes = new Modes(field)
  const sampled = sampleSpreads(
    spreadCount(input.listeners.some((l) => l.stretchedBelowDb !== undefined)),
    (theta) => {
      const spreads = spreadsAt(theta, priors)
      const mode = modes.at(theta, spreads)
      if (!mode) return null
      return { ln: mode.evidence - 0.5 * theta.reduce((s, v) => s + v * v, 0), of: { spreads, mode } }
    },
    random,
    sampling,
  )
  const points = sampled.points.map(({ theta, of }): FieldPoint => ({ theta, ...of }))
  const once = drawField(field, points, sampled.weights, wanted, random)
  const kept =
    once.effective < MIN_EFFECTIVE_DRAWS
      ? drawField(field, points, sampled.weights, 2 * wanted, random)
      : once
  return {
    data,
    field,
    points: kept.points,
    draws: kept.draws,
    quality: qualityOf(sampled, kept.effective, modes.steps),
  }
}

export const qualityOf = (
  sampled: { effective: number; paretoK: number; rounds: number; slower: boolean; poor: boolean },
  effectiveDraws: number,
  newtonSteps: number,
): FitQuality => ({
  effectivePoints: sampled.effective,
  effectiveDraws,
  paretoK: sampled.paretoK,
  rounds: sampled.rounds,
  slower: sampled.slower,
  poor: sampled.poor,
  newtonSteps,
})

/**
 * Draws of the field: at each point of the spreads as many as its weight has it, in pairs that lie opposite one another
 * about the mode; then as many of each as its exact weight over the approximation has it.
 */
export function drawField(
  field: Field,
  at: readonly FieldPoint[],
  weightOf: ArrayLike<number>,
  wanted: number,
  random: ReturnType<typeof seededRandom>,
): Pick<ModelFit, 'points' | 'draws'> & { effective: number } {
  const points: FitPoint[] = []
  const made: (Draw & { weight: number })[] = []
  const z = new Float64Array(field.size)
  evenShares(weightOf, wanted / 2).forEach((pairs, i) => {
    if (pairs === 0) return
    const { theta, spreads, mode } = at[i]!
    const found = factorAt(field, mode, spreads)
    if (!found) return
    const { factor, lnDet } = found
    const cuts = field.layout.cuts.map((k, d) => field.cutsAt(mode.x, d, new Float64Array(k)))
    const point = points.push({ theta, spreads, cuts, weight: weightOf[i]!, evidence: mode.evidence }) - 1
    for (let k = 0; k < pairs; k++) {
      let square = 0
      for (let j = 0; j < z.length; j++) {
        z[j] = random.normal()
        square += z[j]! * z[j]!
      }
      factor.solveUpper(z)
      for (const side of [1, -1]) {
        const x = mode.x.map((v, j) => v + side * z[j]!)
        const ln = field.value(x, spreads) + 0.5 * (square - lnDet) - mode.evidence
        made.push({ point, x, weight: Math.exp(Math.min(MAX_LN_WEIGHT, ln)) })
      }
    }
  })
  const weights = made.map((d) => d.weight)
  const [sum, squares] = [weights.reduce((s, w) => s + w, 0), weights.reduce((s, w) => s + w * w, 0)]
  const times = evenShares(weights, wanted)
  return {
    points,
    draws: made.flatMap(({ point, x }, i) => Array.from({ length: times[i]! }, () => ({ point, x }))),
    effective: (sum * sum) / squares,
  }
}
