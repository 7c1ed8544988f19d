import { evenShares } from './evenShares'
import type { Field } from './field'
import type { ModelFit } from './fit'
import type { Mode } from './mode'
import { Modes } from './modes'
import type { FitPoint } from './points'

/** A point that a fit lends, how often, and another field's mode there. */
interface LentPoint {
  point: FitPoint
  times: number
  mode: Mode
}

/** Modes of another field at points of a fit, so many in all, in proportion to their weights. */
export function modesAtPoints(
  { points }: Pick<ModelFit, 'points'>,
  field: Field,
  n: number,
): { lent: LentPoint[]; steps: number } {
  const modes = new Modes(field)
  const times = evenShares(
    points.map((p) => p.weight),
    n,
  )
  const lent = points.flatMap((point, i) => {
    const mode = times[i] === 0 ? null : modes.at(point.theta, point.spreads)
    return mode ? [{ point, times: times[i]!, mode }] : []
  })
  return { lent, steps: modes.steps }
}
