import { direct, inverse, type Place } from './geodesic'

/**
 * Marks every so many metres along a way, the way's own length counted (not crow-flies).
 * @param way two places or more
 * @param spacingM above nought
 * @returns places with their distance along the way in m; the start itself is not one
 * @throws RangeError on a spacing that is not above nought
 */
export function placesAlong(way: readonly Place[], spacingM: number): { place: Place; alongM: number }[] {
  if (!(spacingM > 0)) throw new RangeError(`spacing must be above 0 m, not ${spacingM}`)
  const found: { place: Place; alongM: number }[] = []
  let walked = 0
  let next = spacingM
  for (let i = 1; i < way.length; i++) {
    const a = way[i - 1]!
    const { distanceM, bearingDeg } = inverse(a, way[i]!)
    while (next <= walked + distanceM + 1e-6) {
      found.push({ place: direct(a, bearingDeg, next - walked), alongM: next })
      next += spacingM
    }
    walked += distanceM
  }
  return found
}

/** How far along a way its nearest point to a place lies, m, taking the nearest of the way's own points. */
export function alongNearest(way: readonly Place[], place: Place): number {
  let walked = 0
  let best = { off: Infinity, alongM: 0 }
  for (let i = 0; i < way.length; i++) {
    if (i > 0) walked += inverse(way[i - 1]!, way[i]!).distanceM
    const off = inverse(way[i]!, place).distanceM
    if (off < best.off) best = { off, alongM: walked }
  }
  return best.alongM
}
