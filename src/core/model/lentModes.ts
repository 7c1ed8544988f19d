import { evenShares } from './evenShares'
import type { Field } from './field'
import type { ModelFit } from './fit'
import type { Layout } from './layout'
import type { Mode } from './mode'
import { Modes } from './modes'
import type { FitPoint } from './points'

/** A point that a fit lends, how often, and another field's mode there. */
interface LentPoint {
  point: FitPoint
  times: number
  mode: Mode
}

/**
 * The middle of a fit's draws as another field lays it out, what is new in that being nought.
 * @returns null where the other is of other marks, or of other links at them
 */
function lentStart({ field: from, draws }: ModelFit, to: Field): Float64Array | null {
  const [a, b] = [from.data, to.data]
  const same = (p: readonly number[], q: readonly number[]) =>
    p.length === q.length && p.every((v, i) => v === q[i])
  if (!same(a.marks, b.marks) || !same(a.ownMark, b.ownMark) || draws.length === 0) return null
  const [p, q] = [sharedPlaces(from.layout), sharedPlaces(to.layout)]
  if (p.length !== q.length) return null
  const mean = new Float64Array(from.size)
  for (const { x } of draws) for (let i = 0; i < mean.length; i++) mean[i]! += x[i]! / draws.length
  const start = new Float64Array(to.size)
  start.set(mean.subarray(0, from.at))
  p.forEach((at, i) => (start[to.at + q[i]!] = mean[from.at + at]!))
  return start
}

/** Where what fields of the same run share stands, in one order; terms and a step are not among it. */
const sharedPlaces = ({ level, link, linkAt, slope, bend, cut, cuts }: Layout): number[] => [
  ...level,
  ...link,
  ...linkAt.flat(),
  slope,
  ...bend,
  ...cut.flatMap((first, d) => Array.from({ length: cuts[d]! }, (_, k) => first + k)),
]

/** Modes of another field at points of a fit, so many in all, in proportion to their weights. */
export function modesAtPoints(fit: ModelFit, field: Field, n: number): { lent: LentPoint[]; steps: number } {
  const { points } = fit
  const modes = new Modes(field, lentStart(fit, field))
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
