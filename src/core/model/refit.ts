import { once } from '@/core/onceEach'
import { effectiveNumber } from '@/core/stats/numeric/effectiveNumber'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { ALONE, NOBODY, type Helper, type Laid, type Task } from './byTwo'
import { buffersOf, drawField } from './drawField'
import { Field } from './field'
import { fitModel, qualityOf, type ModelFit } from './fit'
import { lentAxes, lentOf, modesAtPoints, type Lent } from './lentModes'
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

/** What a fit is beside its run. */
type Fitted = Pick<ModelFit, 'points' | 'draws' | 'axes' | 'quality'>

interface Ask {
  lent: Lent
  settings: RefitSettings
}

/** A run fitted anew, as {@link refit} does it, elsewhere. */
export const REFIT_TASK: Task<Ask, Fitted> = {
  name: 'refit',
  work: (field, { lent, settings }) => refitted(lent, field, settings, ALONE, NOBODY),
  handed: ({ draws }) => buffersOf(draws),
}

/**
 * Fits a run that differs a little from one that is fitted already: with further terms, or without a report. The
 * points of the spreads are the fit's own, weighed anew by how much more or less likely they make these reports;
 * where hardly any of them is left, the run is fitted from the beginning. Begun by the fit's own helper, if it has one.
 * @returns what waits for it
 */
export function beginRefit(fit: ModelFit, input: ModelInput, settings = REFIT): () => ModelFit {
  const { helper } = fit
  const { priors } = fit.field
  const field = once(() => new Field(modelData(input), priors))
  const laid = helper.lay({ input, priors })
  const made = laid.begin(
    REFIT_TASK,
    () => ({ lent: lentOf(fit), settings }),
    () => refitted(lentOf(fit), field(), settings, helper, laid),
  )
  return () => {
    const fitted = { data: field().data, field: field(), helper, ...made() }
    laid.clear()
    return fitted
  }
}

/** The same, at once. */
export const refit = (fit: ModelFit, input: ModelInput, settings = REFIT) =>
  beginRefit(fit, input, settings)()

function refitted(lent: Lent, field: Field, settings: RefitSettings, helper: Helper, laid: Laid): Fitted {
  const { draws, points, least } = settings
  const { priors } = field
  const { lent: at, steps } = modesAtPoints(lent, field, field.isLong ? points / 2 : points)
  const weighed = at.map(({ point, times, mode }): FieldPoint & { lnWeight: number } => ({
    theta: point.theta,
    spreads: point.spreads,
    mode,
    lnWeight: Math.log(times) + mode.evidence - point.evidence,
  }))
  const top = Math.max(...weighed.map((p) => p.lnWeight))
  const weights = weighed.map((p) => Math.exp(p.lnWeight - top))
  const effective = effectiveNumber(weights)
  if (!(effective >= least)) {
    const { points, draws: made, axes, quality } = fitModel(field.data.input, { priors, draws, helper })
    return { points, draws: made, axes, quality }
  }
  const drawn = drawField(field, weighed, weights, draws, seededRandom(SEED), {
    laid,
    lent: lentAxes(lent, field),
  })
  return {
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
