import type { CheckKey } from './planRecord'
import type { MarkMeans } from './terms'

export type { CheckKey, Mark, TrialPlan } from './planRecord'

/** Usual standard deviation of a distance by each means, as a share of it. */
export const MEANS_SD: Record<Exclude<MarkMeans, 'coordinates'>, number> = {
  tape: 0.005,
  wheel: 0.01,
  paces: 0.04,
  pegged: 0.25,
}

/** What makes a check the one it is, of anything that holds it. */
export const keyOf = ({ linkId, markId, direction, repeat }: CheckKey): CheckKey => ({
  linkId,
  markId,
  direction,
  repeat,
})

export const keyText = (k: CheckKey) => `${k.markId}|${k.linkId}|${k.direction}|${k.repeat}`
