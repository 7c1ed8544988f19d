import type { Place } from '@/core/geo'
import type { CheckKey, Mark, TrialPlan } from './planRecord'
import type { MarkMeans, WayOfWorking } from './terms'

export type { CheckKey, Mark, SecondQuantity, TrialPlan } from './planRecord'

/** Usual standard deviation of a distance by each means, as a share of it. */
export const MEANS_SD: Record<Exclude<MarkMeans, 'coordinates'>, number> = {
  tape: 0.005,
  wheel: 0.01,
  paces: 0.04,
  // A road bends: as the crow flies it is rather less than what was driven.
  odometer: 0.06,
  pegged: 0.25,
}

/** Where the base of a plan stands, where that is known. */
export const placeOfBase = (
  base: Pick<NonNullable<TrialPlan['base']>, 'lat' | 'lon'> | null,
): Place | null => (base?.lat != null && base.lon != null ? { lat: base.lat, lon: base.lon } : null)

/** A place whose far end nobody measured: no figure of a trial at one place hangs on it. */
const SOMEWHERE_M = 1000

/**
 * The marks that a plan goes by: at one place, where none was set, the place itself.
 * @param trialId names that place, the same at each run
 */
export function marksOfWay(way: WayOfWorking, marks: readonly Mark[], trialId: string): Mark[] {
  if (way !== 'one place' || marks.length > 0) return [...marks]
  return [
    {
      id: `here-${trialId}`,
      name: 'Here',
      legId: `place-${trialId}`,
      legName: 'This place',
      distanceM: SOMEWHERE_M,
      distanceSdM: SOMEWHERE_M,
      alongM: null,
      bearingDeg: null,
      lat: null,
      lon: null,
    },
  ]
}

/** Whether anything is known of how far off a mark is. */
export const isDistanceKnown = ({ distanceM, distanceSdM }: Mark) =>
  distanceSdM === null || distanceSdM < distanceM

/** Whether a way of working makes checks at places; the others note where something changes. */
export const makesChecks = (way: WayOfWorking | undefined) => way !== 'edges' && way !== 'by ear'

/** Whether a way of working goes by marks that were set before the run. */
export const needsMarks = (way: WayOfWorking | undefined) => way === undefined || way === 'marks'

/** What makes a check the one it is, of anything that holds it. */
export const keyOf = ({ linkId, markId, direction, repeat }: CheckKey): CheckKey => ({
  linkId,
  markId,
  direction,
  repeat,
})

export const keyText = (k: CheckKey) => `${k.markId}|${k.linkId}|${k.direction}|${k.repeat}`
