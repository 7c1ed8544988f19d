import type { Place } from '@/core/geo'
import { metresPerDegree } from '@/core/geo/degrees'
import type { HeightGrid } from './grid'

/** Cells a side: as fine as an SRTM tile of three seconds over a trial of handhelds. */
const SIDE = 1201
/** Over the sea, so that it is land; nothing here depends on it. */
const LEVEL_M = 1

/** By which flat ground is told from grids that are kept. */
export const FLAT_ID = 'flat'

/** Where flat ground lies about a place, without its heights, which are all the same. */
export function flatPlace(middle: Place, farthestM: number): Omit<HeightGrid, 'data' | 'filled'> {
  const degree = metresPerDegree(middle.lat)
  const half = Math.min(1.5, Math.max(0.25, (2 * farthestM) / degree.lat))
  const halfLon = (half * degree.lat) / degree.lon
  return {
    width: SIDE,
    height: SIDE,
    west: middle.lon - halfLon,
    north: middle.lat + half,
    stepLon: (2 * halfLon) / (SIDE - 1),
    stepLat: (2 * half) / (SIDE - 1),
    scaleM: 1,
  }
}

/** The heights of flat ground. */
export const flatHeights = (place: Pick<HeightGrid, 'width' | 'height'>): Int16Array =>
  new Int16Array(place.width * place.height).fill(LEVEL_M)
