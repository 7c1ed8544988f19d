import { inverse, type Place } from './geodesic'

/**
 * The place of a way nearest to another place, with how far off it is and how far along, m. On pieces taken
 * as straight.
 */
export function snapToTrack(
  track: readonly Place[],
  place: Place,
): { place: Place; offM: number; alongM: number } | null {
  if (track.length < 2) return null
  const perLon = Math.cos((place.lat * Math.PI) / 180)
  const at = (p: Place) => [(p.lon - place.lon) * perLon, p.lat - place.lat] as const
  let best: { place: Place; off2: number; piece: number } | null = null
  for (let i = 1; i < track.length; i++) {
    const [a, b] = [at(track[i - 1]!), at(track[i]!)]
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
    const long2 = dx * dx + dy * dy
    const t = long2 === 0 ? 0 : Math.max(0, Math.min(1, -(a[0] * dx + a[1] * dy) / long2))
    const [x, y] = [a[0] + t * dx, a[1] + t * dy]
    const off2 = x * x + y * y
    if (!best || off2 < best.off2)
      best = { off2, piece: i, place: { lat: place.lat + y, lon: place.lon + x / perLon } }
  }
  let alongM = 0
  for (let i = 1; i < best!.piece; i++) alongM += inverse(track[i - 1]!, track[i]!).distanceM
  alongM += inverse(track[best!.piece - 1]!, best!.place).distanceM
  return { place: best!.place, offM: inverse(place, best!.place).distanceM, alongM }
}
