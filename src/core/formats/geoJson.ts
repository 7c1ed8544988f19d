import { type Outcome, bad, good, problem } from '@/core/outcome'
import type { Rings } from '@/core/terrain/cover'
import { MAX_POINTS, placeProblem, TOO_MANY_POINTS } from './filePlace'
import type { GpxPoint } from './gpx'
import { areaOf, type MapFile } from './mapContent'
import { FileRefused, reading } from './fileRefused'

interface Json {
  [key: string]: unknown
}
const isObject = (v: unknown): v is Json => typeof v === 'object' && v !== null && !Array.isArray(v)
const textOf = (v: unknown) => (typeof v === 'string' ? v : typeof v === 'number' ? String(v) : '')

/**
 * Reads GeoJSON (RFC 7946): points to places, lines to ways, polygons to areas; several in one are taken
 * apart. An area's kind and height come from the properties "kind" and "heightM". Coordinates are longitude
 * first, on WGS 84.
 */
export function readGeoJson(text: string): Outcome<MapFile> {
  let json: unknown
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (e) {
    const said = e instanceof Error ? e.message : ''
    return bad(problem('not-json', 'file', `This is not JSON (${said}). Export the GeoJSON file again.`))
  }
  const file: MapFile = { waypoints: [], tracks: [], areas: [] }
  const read = reading<null>(() => {
    new Reader(file).top(json)
    return good(null)
  })
  if (!read.ok) return read
  if (file.waypoints.length + file.tracks.length + file.areas.length === 0)
    return bad(problem('no-points', 'file', 'The file has no points, lines or polygons.'))
  return good(file)
}

class Reader {
  private where = 'file'
  private count = 0

  constructor(private readonly file: MapFile) {}

  private refuse(code: string, message: string): never {
    throw new FileRefused(problem(code, this.where, message))
  }

  top(json: unknown) {
    if (!isObject(json) || typeof json.type !== 'string')
      this.refuse('not-geojson', 'It has no "type", such as "FeatureCollection"; this is no GeoJSON.')
    const crs = isObject(json.crs) && isObject(json.crs.properties) ? textOf(json.crs.properties.name) : ''
    if (crs && !/CRS84|EPSG:+4326$/.test(crs))
      this.refuse(
        'projection',
        `Its coordinates are in ${crs}. GeoJSON is in longitude and latitude on WGS 84; export it so.`,
      )
    if (json.type === 'FeatureCollection') {
      if (!Array.isArray(json.features)) this.refuse('not-geojson', '"features" is no list.')
      json.features.forEach((f, i) => {
        this.where = `feature ${i + 1}`
        this.feature(f)
      })
    } else if (json.type === 'Feature') this.feature(json)
    else this.geometry(json, {}, 0)
  }

  private feature(f: unknown) {
    if (!isObject(f) || f.type !== 'Feature') this.refuse('not-geojson', 'This is no Feature.')
    if (f.geometry === null || f.geometry === undefined) return
    this.geometry(f.geometry, isObject(f.properties) ? f.properties : {}, 0)
  }

  private geometry(g: unknown, properties: Json, depth: number) {
    if (!isObject(g)) this.refuse('not-geojson', 'Its geometry is no object.')
    const c = g.coordinates
    const each = (read: (v: unknown) => void) => {
      if (!Array.isArray(c)) this.refuse('coordinates', 'Its coordinates are no list.')
      c.forEach(read)
    }
    const name = textOf(properties.name)
    if (g.type === 'Point') this.point(c, name)
    else if (g.type === 'MultiPoint') each((p) => this.point(p, name))
    else if (g.type === 'LineString') this.line(c, name)
    else if (g.type === 'MultiLineString') each((l) => this.line(l, name))
    else if (g.type === 'Polygon') this.area(c, name, properties)
    else if (g.type === 'MultiPolygon') each((p) => this.area(p, name, properties))
    else if (g.type === 'GeometryCollection' && depth < 8 && Array.isArray(g.geometries))
      g.geometries.forEach((inner) => this.geometry(inner, properties, depth + 1))
    else
      this.refuse('geometry', `Its geometry is of the type "${textOf(g.type)}", which GeoJSON does not have.`)
  }

  private position(p: unknown): GpxPoint {
    if (!Array.isArray(p) || typeof p[0] !== 'number' || typeof p[1] !== 'number')
      this.refuse('coordinates', 'A position is not [longitude, latitude] in degrees.')
    const [lon, lat] = p as [number, number]
    const wrong = placeProblem(lat, lon)
    if (wrong) this.refuse(wrong.code, `${wrong.message} Longitude comes first.`)
    if (++this.count > MAX_POINTS) this.refuse('too-many-points', TOO_MANY_POINTS)
    return { lat, lon, name: '', elevationM: typeof p[2] === 'number' ? p[2] : null, time: null }
  }

  private point(c: unknown, name: string) {
    this.file.waypoints.push({ ...this.position(c), name })
  }

  private line(c: unknown, name: string) {
    if (!Array.isArray(c) || c.length < 2) this.refuse('coordinates', 'A line needs two positions or more.')
    this.file.tracks.push({ name, kind: 'track', points: c.map((p) => this.position(p)) })
  }

  private area(c: unknown, name: string, properties: Json) {
    if (!Array.isArray(c) || c.length === 0) this.refuse('coordinates', 'A polygon needs an outline.')
    const rings: Rings = c.map((ring) => {
      if (!Array.isArray(ring) || ring.length < 4)
        this.refuse('coordinates', 'An outline needs four positions or more, the last like the first.')
      const corners = ring.map((p) => this.position(p)).map((p): [number, number] => [p.lon, p.lat])
      const [first, last] = [corners[0]!, corners[corners.length - 1]!]
      return first[0] === last[0] && first[1] === last[1] ? corners : [...corners, first]
    })
    this.file.areas.push({ name, rings, ...areaOf(textOf(properties.kind), textOf(properties.heightM)) })
  }
}
