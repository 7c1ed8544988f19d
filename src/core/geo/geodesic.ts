import geodesic from 'geographiclib-geodesic'
import { turnDeg } from './degrees'

/** A place on WGS 84, degrees. */
export interface Place {
  lat: number
  lon: number
}

const { WGS84 } = geodesic.Geodesic

/**
 * Crow-flies distance and bearings by geodesic on WGS 84 (Karney), good to nanometres.
 * @returns distance in m, bearing from a and back bearing from b in degrees clockwise from true north, 0 to 360
 */
export function inverse(
  a: Place,
  b: Place,
): { distanceM: number; bearingDeg: number; backBearingDeg: number } {
  const r = WGS84.Inverse(a.lat, a.lon, b.lat, b.lon)
  return {
    distanceM: r.s12 ?? 0,
    bearingDeg: turnDeg(r.azi1 ?? 0),
    backBearingDeg: turnDeg((r.azi2 ?? 0) + 180),
  }
}

/**
 * The place at a bearing and a distance from another.
 * @param bearingDeg clockwise from true north @param distanceM nought or more
 */
export function direct(from: Place, bearingDeg: number, distanceM: number): Place {
  const r = WGS84.Direct(from.lat, from.lon, bearingDeg, distanceM)
  return { lat: r.lat2 ?? 0, lon: r.lon2 ?? 0 }
}
