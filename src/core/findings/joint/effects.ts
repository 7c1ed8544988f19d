import type { Interval } from '@/core/stats/interval'
import { normalCdf } from '@/core/stats/numeric/normal'
import { posteriorOf, type Posterior } from '@/core/model/answers'
import type { ModelFit } from '@/core/model/fit'
import { beginRefit } from '@/core/model/refit'
import type { FindingsInput, ReadCheck } from '../input'
import type { JointFit } from './jointFit'
import { jointInput, type EffectTerms } from './modelInput'

/** What the draws say of one effect, in the unit of the comparison. */
export interface Effect {
  /** Median. */
  estimate: number
  interval90: Interval<number>
  interval95: Interval<number>
  /** Two-sided: how easily it would be as far from nought if it were nought, by its mean and spread. */
  p: number
}

/** Sums an effect up. @param draws one for each of the fit's, dB @param size dB of one unit */
export function effectOf(fit: ModelFit, draws: ArrayLike<number>, size = 1): Effect {
  return effectOfPosterior(
    posteriorOf(
      fit,
      Array.from(draws, (v) => v / size),
    ),
  )
}

export function effectOfPosterior(post: Posterior): Effect {
  const { mean, sd } = post
  return { ...intervalsOf(post), p: sd > 0 ? 2 * normalCdf(-Math.abs(mean) / sd) : 1 }
}

/** The median of a figure and its intervals. */
export const intervalsOf = ({ q025, q05, q50, q95, q975 }: Posterior): Omit<Effect, 'p'> => ({
  estimate: q50,
  interval90: { low: q05, high: q95 },
  interval95: { low: q025, high: q975 },
})

/** A log fitted anew with terms of its own beside the others. @returns what waits for it */
export function beginWithTerms(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  { input: { model }, fit }: JointFit,
  effects: EffectTerms,
): () => JointFit {
  const joint = jointInput(input, checks, effects)
  const same = model.step ? { ...joint.model, step: model.step } : joint.model
  const fitted = beginRefit(fit, same)
  return () => ({ input: { ...joint, model: same }, fit: fitted() })
}
