import * as mgrs from 'mgrs'
import proj4 from 'proj4'
import type { Place } from './geodesic'

type ToMgrs = (lonLat: [number, number], accuracy: number) => string
// Node sees the package as one default export, a bundler its named ones.
const library = mgrs as { forward?: ToMgrs; default?: { forward: ToMgrs } }
const toMgrs: ToMgrs = (at, accuracy) => (library.forward ?? library.default!.forward)(at, accuracy)

export const COORDINATE_FORMATS = ['degrees', 'degrees and minutes', 'UTM', 'MGRS'] as const
export type CoordinateFormat = (typeof COORDINATE_FORMATS)[number]

/** UTM's zone of a place; the exceptions of the far north are left to the library's grid letters. */
export const utmZone = (lon: number) => Math.min(60, Math.floor((lon + 180) / 6) + 1)

const halves = (v: number, positive: string, negative: string) => (v < 0 ? negative : positive)

/** A place in words: degrees to a metre, degrees and minutes, UTM or MGRS (outside 80 S to 84 N degrees). */
export function coordinateText({ lat, lon }: Place, format: CoordinateFormat): string {
  if (format === 'degrees and minutes') {
    const minutes = (v: number) => {
      const thousandths = Math.round(Math.abs(v) * 60_000)
      return `${Math.floor(thousandths / 60_000)}° ${((thousandths % 60_000) / 1000).toFixed(3)}′`
    }
    return `${minutes(lat)} ${halves(lat, 'N', 'S')}, ${minutes(lon)} ${halves(lon, 'E', 'W')}`
  }
  if (format === 'degrees' || lat > 84 || lat < -80) return `${lat.toFixed(5)}, ${lon.toFixed(5)}`
  if (format === 'MGRS') {
    const text = toMgrs([lon, lat], 5)
    return text.replace(/^(\d+[A-Z])([A-Z]{2})(\d{5})(\d{5})$/, '$1 $2 $3 $4')
  }
  const zone = utmZone(lon)
  const south = lat < 0 ? '+south ' : ''
  const [east, north] = proj4('EPSG:4326', `+proj=utm +zone=${zone} ${south}+datum=WGS84 +units=m +no_defs`, [
    lon,
    lat,
  ])
  return `${zone} ${halves(lat, 'N', 'S')}, ${Math.round(east!)} E, ${Math.round(north!)} N`
}

/** A bearing as it is said and written: three figures, 000° in the north. */
export const bearingText = (bearingDeg: number): string =>
  `${String((Math.round(bearingDeg) + 360) % 360).padStart(3, '0')}°`
