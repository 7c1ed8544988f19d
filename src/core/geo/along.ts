import { direct, inverse, type Place } from './geodesic'

/**
 * Marks every so many metres along a way, the way's own length counted (not crow-flies).
 * @param track two places or more
 * @param spacingM above nought
 * @returns places with their distance along the way in m; the start itself is not one
 * @throws RangeError on a spacing that is not above nought
 */
export function placesAlong(track: readonly Place[], spacingM: number): { place: Place; alongM: number }[] {
  if (!(spacingM > 0)) throw new RangeError(`spacing must be above 0 m, not ${spacingM}`)
  const found: { place: Place; alongM: number }[] = []
  let walked = 0
  let next = spacingM
  for (let i = 1; i < track.length; i++) {
    const a = track[i - 1]!
    const { distanceM, bearingDeg } = inverse(a, track[i]!)
    while (next <= walked + distanceM + 1e-6) {
      found.push({ place: direct(a, bearingDeg, next - walked), alongM: next })
      next += spacingM
    }
    walked += distanceM
  }
  return found
}

/** How far along a way its nearest point to a place lies, m, taking the nearest of the way's own points. */
export function alongNearest(track: readonly Place[], place: Place): number {
  let walked = 0
  let best = { off: Infinity, alongM: 0 }
  for (let i = 0; i < track.length; i++) {
    if (i > 0) walked += inverse(track[i - 1]!, track[i]!).distanceM
    const off = inverse(track[i]!, place).distanceM
    if (off < best.off) best = { off, alongM: walked }
  }
  return best.alongM
}
