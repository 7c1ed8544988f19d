import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { drawField } from './drawField'
import { Field } from './field'
import type { Mode } from './mode'
import { Modes } from './modes'
import type { Draw, FieldPoint, FitPoint } from './points'
import { MODEL_PRIORS, spreadCount, spreadsAt, type ModelPriors, type Spreads } from './priors'
import { modelData, type ModelData, type ModelInput } from './reports'
import { peakOf, type Peak } from './peak'
import { SAMPLING, SAMPLING_OF_MANY, sampleSpreads, type SamplingPlan } from './spreadSampling'
import { ofAll, thinned } from './thinned'

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
  /** A fit of much the same reports: where they are many, the spreads are looked for about its own first. */
  near: ModelFit
}

const FIT_SETTINGS = { priors: MODEL_PRIORS, draws: 1200, seed: 1 }

/** A log of more different reports is looked at in part first, of about so many. */
export const MANY = 2000
const PART = 1500
/** Added to variances of few points, which understate them. */
const LEAST_VARIANCE = 0.0005

/**
 * Fits the joint model: for each point of the spreads the field's mode and Laplace's approximation about it,
 * importance sampling over the spreads, and draws of the field about the modes ({@link drawField}). The same reports
 * give the same draws.
 */
export function fitModel(input: ModelInput, settings: Partial<FitSettings> = {}): ModelFit {
  const { priors, draws: wanted, seed } = { ...FIT_SETTINGS, ...settings }
  const data = modelData(input)
  const field = new Field(data, priors)
  const many = field.said > MANY
  const random = seededRandom(seed)
  const modes = new Modes(field)
  const sampled = sampleSpreads(
    spreadsOf(input),
    (theta) => densityAt(modes, priors, theta),
    random,
    settings.sampling ?? (many ? SAMPLING_OF_MANY : SAMPLING),
    many ? (settings.near ? peakOfFit(settings.near) : peakByPart(data, field.said, priors)) : null,
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

const spreadsOf = (input: ModelInput) =>
  spreadCount(input.listeners.some((l) => l.stretchedBelowDb !== undefined))

/** ln of the chance of a field's reports at a point of the spreads, the point's own in it. */
function densityAt(
  modes: Modes,
  priors: ModelPriors,
  theta: Float64Array,
): { ln: number; of: { spreads: Spreads; mode: Mode } } | null {
  const spreads = spreadsAt(theta, priors)
  const mode = modes.at(theta, spreads)
  if (!mode) return null
  return { ln: mode.evidence - 0.5 * theta.reduce((s, v) => s + v * v, 0), of: { spreads, mode } }
}

/** Where the spreads of a fit lie, and how. */
function peakOfFit({ points }: ModelFit): Peak {
  const whole = points.reduce((s, p) => s + p.weight, 0)
  const mean = (of: (theta: Float64Array) => number) =>
    points.reduce((s, p) => s + p.weight * of(p.theta), 0) / whole
  const x = points[0]!.theta.map((_, i) => mean((t) => t[i]!))
  const covariance = Array.from(x, (m, i) =>
    Array.from(x, (n, j) => mean((t) => (t[i]! - m) * (t[j]! - n)) + (i === j ? LEAST_VARIANCE : 0)),
  )
  return { x, covariance }
}

/** Where the spreads of a long log are about likeliest, by a part of it. */
function peakByPart(data: ModelData, said: number, priors: ModelPriors): Peak {
  const one = Math.ceil(said / PART)
  const part = modelData(thinned(data, one))
  const modes = new Modes(new Field(part, priors))
  return ofAll(
    peakOf(spreadsOf(data.input), (theta) => densityAt(modes, priors, theta)?.ln ?? -Infinity),
    one,
  )
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
