import { spreadOf } from '@/core/model/answers'
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
  // Two ways over other ground are two pieces at least.
  if (new Set(marks.map((m) => m.legId)).size !== 1) return []
  const along = marks.map((m) => m.alongM ?? m.distanceM)
  const legM = Math.max(...along) - Math.min(...along)
  const sharedM = spreadOf(fit, 'sharedM')
  return sharedM > MOST_OF_LEG * legM ? [{ kind: 'shared ground', sharedM, legM }] : []
}
