import { effectiveNumber } from '@/core/stats/numeric/effectiveNumber'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { Field } from './field'
import { drawField } from './drawField'
import { fitModel, qualityOf, type ModelFit } from './fit'
import { lentAxes, modesAtPoints } from './lentModes'
import { modelData, type ModelInput } from './reports'
import type { FieldPoint } from './points'

/** How thorough it is to be. */
export interface RefitSettings {
  draws: number
  /** Points of the spreads that the fit lends, an even number; half as many where the log is long. */
  points: number
  /** Fewer of them than this with any weight left are too few. */
  least: number
}

const REFIT: RefitSettings = { draws: 600, points: 40, least: 8 }
const SEED = 2

/**
 * Fits a run that differs a little from one that is fitted already: with further terms, or without a report. The
 * points of the spreads are the fit's own, weighed anew by how much more or less likely they make these reports;
 * where hardly any of them is left, the run is fitted from the beginning.
 */
export function refit(fit: ModelFit, input: ModelInput, settings = REFIT): ModelFit {
  const { draws, points, least } = settings
  const { priors } = fit.field
  const field = new Field(modelData(input), priors)
  const { lent, steps } = modesAtPoints(fit, field, field.isLong ? points / 2 : points)
  const weighed = lent.map(({ point, times, mode }): FieldPoint & { lnWeight: number } => ({
    theta: point.theta,
    spreads: point.spreads,
    mode,
    lnWeight: Math.log(times) + mode.evidence - point.evidence,
  }))
  const top = Math.max(...weighed.map((p) => p.lnWeight))
  const weights = weighed.map((p) => Math.exp(p.lnWeight - top))
  const effective = effectiveNumber(weights)
  if (!(effective >= least)) return fitModel(input, { priors, draws })
  const drawn = drawField(field, weighed, weights, draws, seededRandom(SEED), lentAxes(fit, field))
  return {
    data: field.data,
    field,
    points: drawn.points,
    draws: drawn.draws,
    axes: drawn.axes,
    quality: qualityOf(
      { effective, paretoK: 0, rounds: 0, slower: false, poor: false },
      drawn.effective,
      steps,
    ),
  }
}
