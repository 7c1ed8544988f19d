import { inverse, type Place } from './geodesic'

/** Cells of each pair of signs, degrees of longitude; latitude has half. */
const STEPS_LON = [20, 2, 2 / 24, 2 / 240]
const PAIRS = [/^[A-R]{2}/, /^[0-9]{2}/, /^[A-X]{2}/, /^[0-9]{2}/]

/**
 * The middle of a grid locator's square, and how far its corners lie from there. Two letters, two figures,
 * then up to two more pairs, as the IARU Region 1 locator has them.
 * @returns null where it is none
 * @example placeOfLocator('HN57') // 47.5, -29, doubt some 93 km
 */
export function placeOfLocator(text: string): { place: Place; doubtM: number } | null {
  const t = text.trim().toUpperCase()
  if (t.length < 2 || t.length > 8 || t.length % 2 !== 0) return null
  let [lon, lat] = [-180, -90]
  for (let i = 0; i < t.length / 2; i++) {
    const pair = t.slice(2 * i)
    if (!PAIRS[i]!.test(pair)) return null
    const value = (c: string) => (i % 2 === 0 ? c.charCodeAt(0) - 65 : Number(c))
    lon += value(pair[0]!) * STEPS_LON[i]!
    lat += (value(pair[1]!) * STEPS_LON[i]!) / 2
  }
  const step = STEPS_LON[t.length / 2 - 1]!
  const place = { lat: lat + step / 4, lon: lon + step / 2 }
  return { place, doubtM: inverse(place, { lat, lon }).distanceM }
}
