import { type Outcome, bad, good, problem } from '@/core/outcome'
import { SaxesParser } from 'saxes'
import type { Rings } from '@/core/terrain/cover'
import { MAX_DEPTH, MAX_POINTS, placeProblem, TOO_MANY_POINTS } from './filePlace'
import type { GpxPoint } from './gpx'
import { plainNumber } from '@/core/units/plainNumber'
import { KmlTracks } from './kmlTrack'
import { areaOf, type MapFile } from './mapContent'
import { FileRefused, MAX_FILE_BYTES, reading } from './fileRefused'

/** How many places, ways and areas there were before a placemark. */
type From = [places: number, ways: number, areas: number]

/**
 * Reads KML 2.2: placemarks with points to places, lines and tracks (gx:Track, gx:MultiTrack, with their times) to
 * ways, polygons to areas. Styles and overlays are passed over. Network links, document types and entities are refused:
 * nothing is fetched. An area's kind and height come from the extended data "kind" and "heightM".
 */
export function readKml(text: string): Outcome<MapFile> {
  if (text.length > MAX_FILE_BYTES)
    return bad(problem('too-large', 'file', 'The file is larger than 64 MB. Split it.'))
  const parser = new SaxesParser({ xmlns: false, position: true })
  const file: MapFile = { waypoints: [], tracks: [], areas: [] }
  const refuse = (code: string, message: string): never => {
    throw new FileRefused(problem(code, `line ${parser.line}, column ${parser.column}`, message))
  }
  const path: string[] = []
  let placemark: { name: string; time: string | null; data: Map<string, string>; from: From } | null = null
  const tracks = new KmlTracks()
  let rings: Rings = []
  let dataName = ''
  let chars = ''
  let count = 0

  const position = (text: string, between: RegExp | string): GpxPoint => {
    const [lon, lat, up] = text.split(between).map(plainNumber)
    if (lon === undefined || lat === undefined || !Number.isFinite(lon) || !Number.isFinite(lat))
      return refuse(
        'coordinates',
        `"${text.slice(0, 40)}" is no place; KML writes longitude,latitude such as -29.5577,47.2988.`,
      )
    const wrong = placeProblem(lat, lon)
    if (wrong) refuse(wrong.code, wrong.message)
    if (++count > MAX_POINTS) refuse('too-many-points', TOO_MANY_POINTS)
    const elevationM = up !== undefined && Number.isFinite(up) ? up : null
    return { lat, lon, name: '', elevationM, time: null }
  }
  const positions = (value: string): GpxPoint[] =>
    value
      .split(/\s+/)
      .filter((t) => t !== '')
      .map((t) => position(t, ','))

  parser.on('doctype', () =>
    refuse(
      'doctype',
      'The file has a document type or entities of its own; these are not taken. Export it again as plain KML 2.2.',
    ),
  )
  parser.on('opentag', ({ name, attributes }) => {
    const local = name.replace(/^.*:/, '')
    path.push(local)
    chars = ''
    if (path.length > MAX_DEPTH) refuse('too-deep', `Elements are nested more than ${MAX_DEPTH} deep.`)
    if (path.length === 1 && local !== 'kml')
      refuse('not-kml', `The file begins with <${name}>, not with <kml>.`)
    if (local === 'NetworkLink' || local === 'NetworkLinkControl')
      refuse(
        'network-link',
        'The file only links to another one on a network, and nothing is fetched. Open that one where it is kept, save it as KML, and bring it in.',
      )
    if (local === 'Placemark')
      placemark = {
        name: '',
        time: null,
        data: new Map(),
        from: [file.waypoints.length, file.tracks.length, file.areas.length],
      }
    if (local === 'Polygon') rings = []
    tracks.open(local)
    if (local === 'Data' || local === 'SimpleData')
      dataName = String((attributes as Record<string, string>).name ?? '')
  })
  const add = (t: string) => void (chars += t)
  parser.on('text', add)
  parser.on('cdata', add)
  parser.on('closetag', ({ name }) => {
    const local = name.replace(/^.*:/, '')
    path.pop()
    const parent = path[path.length - 1]
    const value = chars.trim()
    chars = ''
    if (!placemark) return
    if (local === 'name' && parent === 'Placemark') placemark.name = value
    else if (local === 'value' && parent === 'Data') placemark.data.set(dataName, value)
    else if (local === 'SimpleData') placemark.data.set(dataName, value)
    else if (local === 'when' && tracks.isOpen) tracks.when(value)
    else if (local === 'when') placemark.time = value
    else if (local === 'coord' && value !== '') tracks.coord(position(value, /\s+/))
    else if (local === 'Track' || local === 'MultiTrack') {
      const points = tracks.close(local) ?? []
      if (points.length > 1) file.tracks.push({ name: '', kind: 'track', points })
    } else if (local === 'coordinates') {
      const points = positions(value)
      if (parent === 'Point' && points[0]) file.waypoints.push(points[0])
      else if (parent === 'LineString' && points.length > 1)
        file.tracks.push({ name: '', kind: 'track', points })
      else if (parent === 'LinearRing' && path.includes('Polygon')) {
        const corners = points.map((p): [number, number] => [p.lon, p.lat])
        if (corners.length < 4)
          refuse('coordinates', 'An outline needs four places or more, the last like the first.')
        if (path.includes('outerBoundaryIs')) rings.unshift(corners)
        else rings.push(corners)
      }
    } else if (local === 'Polygon') {
      if (rings.length === 0) refuse('coordinates', 'A polygon has no outline.')
      file.areas.push({ name: '', kind: '', heightM: null, rings })
    } else if (local === 'Placemark') {
      const { name: called, time, data, from } = placemark
      for (const p of file.waypoints.slice(from[0])) Object.assign(p, { name: called, time })
      for (const w of file.tracks.slice(from[1])) w.name = called
      for (const a of file.areas.slice(from[2]))
        Object.assign(a, { name: called }, areaOf(data.get('kind') ?? '', data.get('heightM') ?? ''))
      placemark = null
    }
  })
  parser.on('error', (e) => {
    const said = e.message.replace(/^\d+:\d+:\s*/, '').replace(/\.$/, '')
    refuse('not-xml', `This is not well-formed XML (${said}). Export the KML file again.`)
  })
  const read = reading<null>(() => {
    parser.write(text.replace(/^\uFEFF/, '')).close()
    return good(null)
  })
  if (!read.ok) return read
  if (file.waypoints.length + file.tracks.length + file.areas.length === 0)
    return bad(problem('no-points', 'file', 'The file has no placemarks with points, lines or polygons.'))
  return good(file)
}
