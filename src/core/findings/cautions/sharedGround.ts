import { posteriorOf } from '@/core/model/answers'
import type { FindingsInput } from '../input'
import type { JointFit } from '../joint/jointFit'

/** Neighbouring marks lie over the same hills and hollows so far that a leg is hardly more than one of them. */
export interface SharedGround {
  kind: 'shared ground'
  /** Over which shadowing falls to 1/e, and how long the longest leg is, m. */
  sharedM: number
  legM: number
}

/** A longer share of the leg than this leaves some three pieces of ground or fewer. */
const MOST_OF_LEG = 0.25
const MIN_MARKS = 8

/** Whether a log holds too few pieces of ground for its reaches to hold elsewhere. */
export function sharedGround({ marks }: FindingsInput, { input, fit }: JointFit): SharedGround[] {
  if (input.onePlace || fit.data.marks.length < MIN_MARKS) return []
  const along = new Map<string, number[]>()
  for (const m of marks) along.set(m.legId, [...(along.get(m.legId) ?? []), m.alongM ?? m.distanceM])
  const legs = [...along.values()]
  // Two ways over other ground are two pieces at least.
  if (legs.length !== 1) return []
  const legM = Math.max(...legs[0]!) - Math.min(...legs[0]!)
  const sharedM = posteriorOf(
    fit,
    fit.draws.map((d) => fit.points[d.point]!.spreads.sharedM),
  ).q50
  return sharedM > MOST_OF_LEG * legM ? [{ kind: 'shared ground', sharedM, legM }] : []
}
