import { seededRandom } from '@/core/stats/numeric/seededRandom'
import type { SplitNormal } from '@/core/stats/numeric/splitNormal'
import { ALONE, type Helper } from './byTwo'
import { densityAt, spreadsOf } from './density'
import { drawField } from './drawField'
import { Field } from './field'
import { Modes } from './modes'
import type { Draw, FieldPoint, FitPoint } from './points'
import { MODEL_PRIORS, type ModelPriors } from './priors'
import { modelData, type ModelData, type ModelInput } from './reports'
import { SAMPLING, SAMPLING_OF_LONG, sampleSpreads, type SamplingPlan } from './spreadSampling'
import { startPeak } from './startPeak'

/** A run under the model: draws from which every answer is read. */
export interface ModelFit {
  data: ModelData
  field: Field
  points: FitPoint[]
  draws: Draw[]
  /** How wide each of what is shared was found to be to either side, by where it stands. */
  axes: readonly SplitNormal[]
  quality: FitQuality
  /** Who may do meanwhile what is asked of it. */
  helper: Helper
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
  /** A fit of much the same reports: where they are many, the spreads are looked for about its own first. */
  near: ModelFit
  /** Nobody, if it is left out; what is found is the same. */
  helper: Helper
}

const FIT_SETTINGS = { priors: MODEL_PRIORS, draws: 1200, seed: 1, helper: ALONE }

/**
 * Fits the joint model: for each point of the spreads the field's mode and Laplace's approximation about it,
 * importance sampling over the spreads, and draws of the field about the modes ({@link drawField}). The same reports
 * give the same draws.
 */
export function fitModel(input: ModelInput, settings: Partial<FitSettings> = {}): ModelFit {
  const { priors, draws: wanted, seed, helper } = { ...FIT_SETTINGS, ...settings }
  const data = modelData(input)
  const field = new Field(data, priors)
  const random = seededRandom(seed)
  const laid = helper.lay({ input, priors })
  const modes = new Modes(field)
  const sampled = sampleSpreads(
    spreadsOf(input),
    (theta) => densityAt(modes, priors, theta),
    random,
    settings.sampling ?? (field.isLong ? SAMPLING_OF_LONG : SAMPLING),
    field.isLong ? startPeak(field, settings.near?.points) : null,
  )
  const points = sampled.points.map(({ theta, of }): FieldPoint => ({ theta, ...of }))
  const kept = drawField(field, points, sampled.weights, wanted, random, { laid })
  laid.clear()
  return {
    data,
    field,
    points: kept.points,
    draws: kept.draws,
    axes: kept.axes,
    quality: qualityOf(sampled, kept.effective, modes.steps),
    helper,
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
