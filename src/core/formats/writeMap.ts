import { create } from 'xmlbuilder2'
import type { Place } from '@/core/geo/geodesic'
import type { Rings } from '@/core/terrain/cover'

/** All that lies on the map, to be written to a file. */
export interface MapContents {
  name: string
  places: (Place & { name: string; role: string; elevationM?: number | null })[]
  tracks: { name: string; points: (Place & { elevationM?: number | null })[] }[]
  marks: (Place & { name: string; legName: string; distanceM: number })[]
  areas: {
    name: string
    kind: string
    heightM?: number
    more?: Record<string, string | number>
    rings: Rings
  }[]
}

const up = (p: { elevationM?: number | null }) => (p.elevationM == null ? [] : [p.elevationM])

/** Twice the area that a ring encloses, in degrees: above 0 where it runs anticlockwise. */
const turning = (ring: Rings[number]) =>
  ring.slice(1).reduce((sum, [x, y], i) => sum + (x - ring[i]![0]) * (y + ring[i]![1]), 0) * -1

/** The outline anticlockwise and holes clockwise, as RFC 7946 (3.1.6) has them. */
const rightHanded = (rings: Rings): Rings =>
  rings.map((ring, i) => (turning(ring) > 0 === (i === 0) ? ring : [...ring].reverse()))

/** What an area says of itself beside its name. */
const told = ({ kind, heightM, more }: Omit<MapContents['areas'][number], 'rings'>) => ({
  kind,
  ...(heightM === undefined ? {} : { heightM }),
  ...more,
})

/** GeoJSON (RFC 7946), longitude first; rings follow the right-hand rule. */
export function writeGeoJson(map: MapContents): string {
  const feature = (type: string, coordinates: unknown, properties: Record<string, unknown>) => ({
    type: 'Feature',
    properties,
    geometry: { type, coordinates },
  })
  const features = [
    ...map.places.map(({ name, role, ...p }) => feature('Point', [p.lon, p.lat, ...up(p)], { name, role })),
    ...map.marks.map(({ name, legName, distanceM, lat, lon }) =>
      feature('Point', [lon, lat], {
        name,
        role: 'mark',
        leg: legName,
        distanceM: Math.round(distanceM * 10) / 10,
      }),
    ),
    ...map.tracks.map((w) =>
      feature(
        'LineString',
        w.points.map((p) => [p.lon, p.lat, ...up(p)]),
        { name: w.name, role: 'leg' },
      ),
    ),
    ...map.areas.map(({ rings, ...area }) =>
      feature('Polygon', rightHanded(rings), { name: area.name, ...told(area) }),
    ),
  ]
  return `${JSON.stringify({ type: 'FeatureCollection', features }, null, 1)}\n`
}

const tuple = (p: Place & { elevationM?: number | null }) => [p.lon, p.lat, ...up(p)].join(',')

/** KML 2.2: a placemark for each thing, what it is in its extended data. */
export function writeKml(map: MapContents): string {
  const doc = create({ version: '1.0', encoding: 'UTF-8' })
    .ele('http://www.opengis.net/kml/2.2', 'kml')
    .ele('Document')
  doc.ele('name').txt(map.name)
  const placemark = (name: string, data: Record<string, string | number>) => {
    const mark = doc.ele('Placemark')
    mark.ele('name').txt(name)
    const extended = mark.ele('ExtendedData')
    for (const [key, value] of Object.entries(data))
      extended.ele('Data', { name: key }).ele('value').txt(String(value))
    return mark
  }
  for (const p of map.places)
    placemark(p.name, { role: p.role }).ele('Point').ele('coordinates').txt(tuple(p))
  for (const m of map.marks)
    placemark(m.name, { role: 'mark', leg: m.legName, distanceM: Math.round(m.distanceM) })
      .ele('Point')
      .ele('coordinates')
      .txt(tuple(m))
  for (const w of map.tracks)
    placemark(w.name, { role: 'leg' }).ele('LineString').ele('coordinates').txt(w.points.map(tuple).join(' '))
  for (const a of map.areas) {
    const polygon = placemark(a.name, told(a)).ele('Polygon')
    a.rings.forEach((ring, i) =>
      polygon
        .ele(i === 0 ? 'outerBoundaryIs' : 'innerBoundaryIs')
        .ele('LinearRing')
        .ele('coordinates')
        .txt(ring.map((c) => c.join(',')).join(' ')),
    )
  }
  return doc.end({ prettyPrint: true })
}

/** GPX 1.1: places and marks as waypoints, legs as routes. Areas have no place in it. */
export function writeGpx(map: MapContents): string {
  const gpx = create({ version: '1.0', encoding: 'UTF-8' }).ele('http://www.topografix.com/GPX/1/1', 'gpx', {
    version: '1.1',
    creator: 'Even Reach',
  })
  const point = (tag: 'wpt' | 'rtept', p: Place & { elevationM?: number | null }, parent = gpx) => {
    const at = parent.ele(tag, { lat: p.lat, lon: p.lon })
    if (p.elevationM != null) at.ele('ele').txt(String(p.elevationM))
    return at
  }
  for (const p of map.places) point('wpt', p).ele('name').txt(p.name)
  for (const m of map.marks) point('wpt', m).ele('name').txt(m.name)
  for (const w of map.tracks) {
    const route = gpx.ele('rte')
    route.ele('name').txt(w.name)
    for (const p of w.points) point('rtept', p, route)
  }
  return gpx.end({ prettyPrint: true })
}
