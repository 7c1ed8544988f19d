import { aboutDistanceText, distanceInterval, type Units } from '@/core/units'
import type { LegReachOnGround } from './legReach'

/** How far a link is copied along a leg, in a phrase. */
export function legReachText(reach: LegReachOnGround, units: Units): string {
  const { estimateM, lowM, highM, nearestM, farthestM, againM } = reach
  const show = (m: number) => aboutDistanceText(m, units)
  if (estimateM === null) {
    const surely = lowM === null ? '' : `, surely to ${show(lowM)}`
    return `all the way out to ${show(farthestM)}${surely}`
  }
  const again = againM === null ? '' : `, and copied again from ${show(againM)}`
  if (estimateM <= nearestM) return `not copied so surely, not even ${show(nearestM)} out${again}`
  const ends = highM === null ? `${show(lowM!)} or more` : distanceInterval(lowM, highM, show)
  return `about ${show(estimateM)} (${ends})${again}`
}

/** What the reach along legs is, said over it. */
export const legReachesHead = (chance: number): string =>
  `Over each leg’s own ground: as far out as ${Math.round(100 * chance)} of 100 calls come through from every place, surely to the first figure in brackets and hardly beyond the second.`
