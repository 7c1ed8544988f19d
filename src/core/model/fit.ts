import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { drawField } from './drawField'
import { Field } from './field'
import { Modes } from './modes'
import type { Draw, FieldPoint, FitPoint } from './points'
import { MODEL_PRIORS, spreadCount, spreadsAt, type ModelPriors } from './priors'
import { modelData, type ModelData, type ModelInput } from './reports'
import { SAMPLING, sampleSpreads, type SamplingPlan } from './spreadSampling'

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

/**
 * Fits the joint model: for each point of the spreads the field's mode and Laplace's approximation about it,
 * importance sampling over the spreads, and draws of the field about the modes ({@link drawField}). The same reports
 * give the same draws.
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
  const kept = drawField(field, points, sampled.weights, wanted, random)
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
