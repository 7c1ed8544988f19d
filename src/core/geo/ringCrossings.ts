import { inverse, type Place } from './geodesic'

/** Where a way meets a ring about the base. */
export interface RingCrossing {
  place: Place
  /** Crow-flies from the base: the ring's radius, m. */
  ringM: number
  alongM: number
}

/** Pieces longer than this are cut before a crossing is looked for, m. */
const PIECE_M = 25

/**
 * Where a way crosses rings about the base, every so often as the crow flies.
 * @param spacingM between rings, above 0
 * @param firstOnly each ring where it is first met; else every crossing, out and home again
 * @throws RangeError on a spacing that is not above 0
 */
export function ringCrossings(
  track: readonly Place[],
  base: Place,
  spacingM: number,
  firstOnly = false,
): RingCrossing[] {
  if (!(spacingM > 0)) throw new RangeError(`spacing must be above 0 m, not ${spacingM}`)
  const found: RingCrossing[] = []
  const met = new Set<number>()
  let alongM = 0
  for (let i = 1; i < track.length; i++) {
    const [a, b] = [track[i - 1]!, track[i]!]
    const lengthM = inverse(a, b).distanceM
    const pieces = Math.max(1, Math.ceil(lengthM / PIECE_M))
    const at = (t: number): Place => ({ lat: a.lat + t * (b.lat - a.lat), lon: a.lon + t * (b.lon - a.lon) })
    let before = inverse(base, a).distanceM
    for (let p = 1; p <= pieces; p++) {
      const after = inverse(base, at(p / pieces)).distanceM
      const [low, high] = [Math.min(before, after), Math.max(before, after)]
      const rings: number[] = []
      for (let k = Math.floor(low / spacingM) + 1; k * spacingM <= high; k++) rings.push(k)
      if (after < before) rings.reverse()
      for (const k of rings) {
        if (firstOnly && met.has(k)) continue
        met.add(k)
        const t = (p - 1 + (k * spacingM - before) / (after - before)) / pieces
        found.push({ place: at(t), ringM: k * spacingM, alongM: alongM + t * lengthM })
      }
      before = after
    }
    alongM += lengthM
  }
  return found
}
