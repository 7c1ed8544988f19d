import { type Outcome, bad, good, problem } from '@/core/outcome'
import { SaxesParser } from 'saxes'
import type { Place } from '@/core/geo/geodesic'
import { MAX_DEPTH, MAX_POINTS, placeProblem, TOO_MANY_POINTS } from './filePlace'
import { plainNumber } from '@/core/units/plainNumber'
import { FileRefused, MAX_FILE_BYTES, reading } from './fileRefused'

export interface GpxPoint extends Place {
  name: string
  /** m above sea level; null where the file has none. */
  elevationM: number | null
  /** UTC, ISO 8601, as given; null where the file has none. */
  time: string | null
}

export interface Gpx {
  waypoints: GpxPoint[]
  /** Tracks and routes, each as one way; a track's segments are joined. */
  tracks: { name: string; kind: 'track' | 'route'; points: GpxPoint[] }[]
}

const finite = (n: number): number | null => (Number.isFinite(n) ? n : null)

/**
 * Reads GPX 1.0 or 1.1: waypoints, tracks, routes. Foreign extensions are passed over. Document types and entities are
 * refused, so is anything nested more than 64 deep, a place off the globe, at a pole, or a way across 180 degrees.
 * @param text the whole file
 */
export function readGpx(text: string): Outcome<Gpx> {
  if (text.length > MAX_FILE_BYTES)
    return bad(
      problem('too-large', 'file', 'The file is larger than 64 MB. Split it, or thin out the track.'),
    )
  const parser = new SaxesParser({ xmlns: false, position: true })
  const where = () => `line ${parser.line}, column ${parser.column}`
  const gpx: Gpx = { waypoints: [], tracks: [] }
  const path: string[] = []
  let point: GpxPoint | null = null
  let track: Gpx['tracks'][number] | null = null
  let chars = ''
  let count = 0
  const refuse = (code: string, message: string): never => {
    throw new FileRefused(problem(code, where(), message))
  }

  const place = (attributes: Record<string, string>): GpxPoint => {
    const [lat, lon] = [plainNumber(attributes.lat ?? ''), plainNumber(attributes.lon ?? '')]
    if (!Number.isFinite(lat) || !Number.isFinite(lon))
      refuse('no-coordinates', 'A point has no lat and lon in degrees, such as lat="47.2988" lon="-29.5577".')
    const wrong = placeProblem(lat, lon)
    if (wrong) refuse(wrong.code, wrong.message)
    if (++count > MAX_POINTS) refuse('too-many-points', TOO_MANY_POINTS)
    return { lat, lon, name: '', elevationM: null, time: null }
  }

  parser.on('doctype', () =>
    refuse(
      'doctype',
      'The file has a document type or entities of its own; these are not taken. Export it again as plain GPX 1.1.',
    ),
  )
  parser.on('opentag', ({ name, attributes }) => {
    path.push(name)
    if (path.length > MAX_DEPTH)
      refuse('too-deep', `Elements are nested more than ${MAX_DEPTH} deep; a GPX file needs 6.`)
    if (path.length === 1 && name !== 'gpx')
      refuse('not-gpx', `The file begins with <${name}>, not with <gpx>.`)
    chars = ''
    if (name === 'trk' || name === 'rte')
      track = { name: '', kind: name === 'trk' ? 'track' : 'route', points: [] }
    if (name === 'wpt' || name === 'trkpt' || name === 'rtept')
      point = place(attributes as Record<string, string>)
  })
  parser.on('text', (t) => {
    chars += t
  })
  parser.on('cdata', (t) => {
    chars += t
  })
  parser.on('closetag', ({ name }) => {
    path.pop()
    const parent = path[path.length - 1]
    const value = chars.trim()
    chars = ''
    if (point && (parent === 'wpt' || parent === 'trkpt' || parent === 'rtept')) {
      if (name === 'name') point.name = value
      else if (name === 'ele') point.elevationM = finite(plainNumber(value))
      else if (name === 'time') point.time = value
    } else if (track && (parent === 'trk' || parent === 'rte') && name === 'name') track.name = value
    if (point && name === 'wpt') gpx.waypoints.push(point)
    else if (point && track && (name === 'trkpt' || name === 'rtept')) {
      const before = track.points[track.points.length - 1]
      if (before && Math.abs(before.lon - point.lon) > 180)
        refuse('across-180', 'A way crosses 180 degrees of longitude. Split it there into two files.')
      track.points.push(point)
    } else if (track && (name === 'trk' || name === 'rte')) {
      if (track.points.length > 0) gpx.tracks.push(track)
      track = null
    }
    if (name === 'wpt' || name === 'trkpt' || name === 'rtept') point = null
  })
  parser.on('error', (e) => {
    const said = e.message.replace(/^\d+:\d+:\s*/, '').replace(/\.$/, '')
    refuse('not-xml', `This is not well-formed XML (${said}). Export the GPX file again.`)
  })
  const read = reading<null>(() => {
    parser.write(text.replace(/^\uFEFF/, '')).close()
    return good(null)
  })
  if (!read.ok) return read
  if (gpx.waypoints.length === 0 && gpx.tracks.length === 0)
    return bad(
      problem(
        'no-points',
        'file',
        'The file has no waypoints, tracks or routes. Export it with at least one.',
      ),
    )
  return good(gpx)
}
