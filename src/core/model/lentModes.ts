import { onceWhileHeld } from '@/core/onceEach'
import type { SplitNormal } from '@/core/stats/numeric/splitNormal'
import { evenShares } from './evenShares'
import type { Field } from './field'
import type { ModelFit } from './fit'
import type { Layout } from './layout'
import type { Mode } from './mode'
import { Modes } from './modes'
import type { FitPoint } from './points'

/** What a fit lends to one of nearly the same reports; plain data. */
export interface Lent {
  points: readonly FitPoint[]
  axes: readonly SplitNormal[]
  layout: Layout
  /** As {@link Field.at}, and the run's own. */
  at: number
  marks: readonly number[]
  ownMark: readonly number[]
  /** The middle of its draws; null where it has none. */
  middle: Float64Array | null
}

/** A point that a fit lends, how often, and another field's mode there. */
interface LentPoint {
  point: FitPoint
  times: number
  mode: Mode
}

/** Where what two fields both share stands in the one and in the other; null where they are not of the same run. */
function sharedByBoth(from: Layout, to: Layout): [from: number, to: number][] | null {
  const [p, q] = [sharedPlaces(from), sharedPlaces(to)]
  return p.length === q.length ? p.map((at, i) => [at, q[i]!]) : null
}

/** What a fit lends; worked out once. */
export const lentOf = onceWhileHeld(({ field, points, draws, axes }: ModelFit): Lent => {
  const middle = new Float64Array(field.size)
  for (const { x } of draws) for (let i = 0; i < middle.length; i++) middle[i]! += x[i]! / draws.length
  const { layout, at, data } = field
  return {
    points,
    axes,
    layout,
    at,
    marks: data.marks,
    ownMark: data.ownMark,
    middle: draws.length === 0 ? null : middle,
  }
})

/** How wide a fit found what another field of the same run shares with it, by where that stands there. */
export function lentAxes({ layout, axes }: Lent, to: Field): Map<number, SplitNormal> {
  return new Map(sharedByBoth(layout, to.layout)?.map(([p, q]) => [q, axes[p]!]))
}

/**
 * The middle of a fit's draws as another field lays it out, what is new in that being nought.
 * @returns null where the other is of other marks, or of other links at them
 */
function lentStart({ layout, at, marks, ownMark, middle }: Lent, to: Field): Float64Array | null {
  const same = (p: readonly number[], q: readonly number[]) =>
    p.length === q.length && p.every((v, i) => v === q[i])
  if (!same(marks, to.data.marks) || !same(ownMark, to.data.ownMark) || !middle) return null
  const both = sharedByBoth(layout, to.layout)
  if (!both) return null
  const start = new Float64Array(to.size)
  start.set(middle.subarray(0, at))
  for (const [p, q] of both) start[to.at + q] = middle[at + p]!
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
export function modesAtPoints(from: Lent, field: Field, n: number): { lent: LentPoint[]; steps: number } {
  const { points } = from
  const modes = new Modes(field, lentStart(from, field))
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
