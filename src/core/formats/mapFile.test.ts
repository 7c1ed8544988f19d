import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { readMapFile, writeGeoJson, writeGpx, writeKml, type MapContents } from '.'

const bytes = (text: string) => new TextEncoder().encode(text)
const said = (name: string, content: string | Uint8Array) => {
  const r = readMapFile(name, typeof content === 'string' ? bytes(content) : content)
  return r.ok ? 'read' : `${r.problems[0]!.code}: ${r.problems[0]!.message} (${r.problems[0]!.where})`
}
const taken = (name: string, content: string | Uint8Array) => {
  const r = readMapFile(name, typeof content === 'string' ? bytes(content) : content)
  if (!r.ok) throw new Error(r.problems[0]!.message)
  return r.value
}
const kml = (inner: string) =>
  `<?xml version="1.0"?><kml xmlns="http://www.opengis.net/kml/2.2"><Document>${inner}</Document></kml>`
const WOOD = '-30,47 -29.9,47 -29.9,47.1 -30,47'
const KML = kml(`
  <name>Ours</name>
  <Placemark><name>Pier</name><Point><coordinates>-29.5577,47.2988,4</coordinates></Point></Placemark>
  <Placemark><name>Lane</name><LineString><coordinates>
    -29.55,47.30 -29.54,47.31
  </coordinates></LineString></Placemark>
  <Placemark><name><![CDATA[Wood & glade]]></name>
    <ExtendedData><Data name="kind"><value>Wood</value></Data><Data name="heightM"><value>18</value></Data></ExtendedData>
    <MultiGeometry><Polygon>
      <innerBoundaryIs><LinearRing><coordinates>-29.96,47.02 -29.95,47.02 -29.95,47.03 -29.96,47.02</coordinates></LinearRing></innerBoundaryIs>
      <outerBoundaryIs><LinearRing><coordinates>${WOOD}</coordinates></LinearRing></outerBoundaryIs>
    </Polygon></MultiGeometry></Placemark>`)

describe('KML', () => {
  it('points, lines and polygons with their names; a hole after its outline; kind and height', () => {
    const map = taken('a.kml', KML)
    expect(map.waypoints).toEqual([{ lat: 47.2988, lon: -29.5577, elevationM: 4, name: 'Pier', time: null }])
    expect(map.tracks[0]).toMatchObject({ name: 'Lane', points: [{ lat: 47.3 }, { lat: 47.31 }] })
    const [wood] = map.areas
    expect(wood).toMatchObject({ name: 'Wood & glade', kind: 'wood', heightM: 18 })
    expect(wood!.rings).toHaveLength(2)
    expect(wood!.rings[0]![0]).toEqual([-30, 47])
  })
  it.each([
    [
      'a network link',
      kml('<NetworkLink><Link><href>http://a/b.kml</href></Link></NetworkLink>'),
      'network-link',
    ],
    ['entities', '<!DOCTYPE kml [<!ENTITY a SYSTEM "file:///x">]><kml>&a;</kml>', 'doctype'],
    ['another root', '<gpx></gpx>', 'not-kml'],
    ['not XML', 'a letter', 'not-xml'],
    [
      'a word for a place',
      kml('<Placemark><Point><coordinates>here</coordinates></Point></Placemark>'),
      'coordinates',
    ],
    [
      'latitude first',
      kml('<Placemark><Point><coordinates>47.3,-129.5</coordinates></Point></Placemark>'),
      'off-globe',
    ],
    [
      'an outline of two',
      kml(
        '<Placemark><Polygon><outerBoundaryIs><LinearRing><coordinates>1,1 2,2</coordinates></LinearRing></outerBoundaryIs></Polygon></Placemark>',
      ),
      'coordinates',
    ],
    ['nothing in it', kml('<Placemark><name>a</name></Placemark>'), 'no-points'],
    ['a thousand deep', kml('<Folder>'.repeat(1000) + '</Folder>'.repeat(1000)), 'too-deep'],
  ])('refuses %s with what, where and what would be right', (_n, text, code) => {
    expect(said('a.kml', text)).toMatch(new RegExp(`^${code}: .{20,} \\((line \\d+, column \\d+|file)\\)$`))
  })
})

describe('tracks of KML', () => {
  const track = (extra: string) =>
    `<gx:Track>${extra}<when>2026-05-16T08:00:00Z</when><when>2026-05-16T08:01:00Z</when>
     <gx:coord>-29.55 47.30 12</gx:coord><gx:coord>-29.54 47.31 14.5</gx:coord></gx:Track>`
  it('gx:Track with its times, one beside the other', () => {
    const file = taken('a.kml', kml(`<Placemark><name>Way out</name>${track('')}</Placemark>`))
    expect(file.tracks).toEqual([
      {
        name: 'Way out',
        kind: 'track',
        points: [
          { lat: 47.3, lon: -29.55, name: '', elevationM: 12, time: '2026-05-16T08:00:00Z' },
          { lat: 47.31, lon: -29.54, name: '', elevationM: 14.5, time: '2026-05-16T08:01:00Z' },
        ],
      },
    ])
  })
  it('gx:MultiTrack as one way, and a point with its time', () => {
    const file = taken(
      'a.kml',
      kml(`<Placemark><name>All</name><gx:MultiTrack>${track('')}${track('')}</gx:MultiTrack></Placemark>
        <Placemark><name>Mark</name><TimeStamp><when>2026-05-16</when></TimeStamp>
        <Point><coordinates>-29.5,47.3</coordinates></Point></Placemark>`),
    )
    expect(file.tracks.map((t) => [t.name, t.points.length])).toEqual([['All', 4]])
    expect(file.waypoints).toMatchObject([{ name: 'Mark', time: '2026-05-16' }])
  })
})

describe('the encoding that a file declares', () => {
  const declaring = (encoding: string, text: string) =>
    text.replace('<?xml version="1.0"?>', `<?xml version="1.0" encoding="${encoding}"?>`)
  const point = (name: string) =>
    `<Placemark><name>${name}</name><Point><coordinates>1,2</coordinates></Point></Placemark>`
  it.each(['ISO-8859-1', 'windows-1252', 'iso-8859-15'])('%s is read as it', (encoding) => {
    const text = declaring(encoding, kml(point('Fährhöhe')))
    const latin = Uint8Array.from(text, (c) => c.charCodeAt(0))
    expect(readMapFile('a.kml', latin)).toMatchObject({
      ok: true,
      value: { waypoints: [{ name: 'Fährhöhe' }] },
    })
    expect(readMapFile('a.kmz', zipSync({ 'doc.kml': latin }))).toMatchObject({
      value: { waypoints: [{ name: 'Fährhöhe' }] },
    })
  })
  it('one that nobody knows is passed over', () => {
    expect(taken('a.kml', declaring('klingon', kml(point('Höhe')))).waypoints[0]!.name).toBe('Höhe')
  })
})

describe('KMZ', () => {
  it('is its root document, wherever it lies in the archive', () => {
    const other = kml(
      '<Placemark><name>Other</name><Point><coordinates>1,2</coordinates></Point></Placemark>',
    )
    const names = (files: Record<string, string>) =>
      taken(
        'a.kmz',
        zipSync(Object.fromEntries(Object.entries(files).map(([n, t]) => [n, bytes(t)]))),
      ).waypoints.map((w) => w.name)
    const root = other.replace('Other', 'Root')
    expect(names({ 'files/linked.kml': other, 'doc.kml': root })).toEqual(['Root'])
    expect(names({ 'a.kml': other, 'DOC.KML': root })).toEqual(['Root'])
    expect(names({ 'files/linked.kml': other, 'way.kml': root })).toEqual(['Root'])
    expect(names({ 'in/a/folder.kml': root })).toEqual(['Root'])
  })
  it('is its first KML', () => {
    expect(
      taken('a.kmz', zipSync({ 'doc.kml': bytes(KML), 'pictures/a.png': bytes('x') })).areas,
    ).toHaveLength(1)
  })
  it('a fault in it says where', () => {
    expect(said('a.kmz', zipSync({ 'doc.kml': bytes('<gpx/>') }))).toMatch(/^not-kml: .*\(doc\.kml, line 1/)
  })
  /** An archive whose directory says that a member unpacks to so many bytes: 24 bytes after its signature. */
  const claiming = (size: number) => {
    const zip = zipSync({ 'doc.kml': new Uint8Array(2_000_000).fill(32) })
    const view = new DataView(zip.buffer)
    for (let i = zip.length - 46; i > 0; i--)
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, size, true)
    return zip
  }
  it('a bomb is refused before it is unpacked', () => {
    expect(said('bomb.kmz', claiming(300 * 1024 * 1024))).toMatch(
      /^zip-bomb: It would unpack to more than 256 MB/,
    )
    expect(said('big.kmz', claiming(65 * 1024 * 1024))).toMatch(/^too-large/)
  })
  it('a bomb that lies about its size gets no more room than it asked for', () => {
    expect(said('liar.kmz', claiming(100))).toMatch(/^(not-zip|not-xml)/)
  })
  it('too many members, a path out of the archive, no KML, no zip', () => {
    const many = Object.fromEntries(Array.from({ length: 5001 }, (_, i) => [`${i}.txt`, strToU8('')]))
    expect(said('a.kmz', zipSync(many))).toMatch(/^zip-bomb: It has more than 5000 members/)
    expect(said('a.kmz', zipSync({ '../doc.kml': bytes(KML) }))).toMatch(/^path: /)
    expect(said('a.kmz', zipSync({ 'a.txt': bytes('a') }))).toMatch(/^no-kml: /)
    expect(said('a.kmz', 'PK but no')).toMatch(/^not-zip: /)
  })
})

const feature = (type: string, coordinates: unknown, properties: object | null = {}) => ({
  type: 'Feature',
  properties,
  geometry: { type, coordinates },
})
const collection = (...features: object[]) => JSON.stringify({ type: 'FeatureCollection', features })

describe('GeoJSON', () => {
  it('every geometry, one or many', () => {
    const ring = [
      [-30, 47],
      [-29.9, 47],
      [-29.9, 47.1],
      [-30, 47],
    ]
    const map = taken(
      'a.geojson',
      collection(
        feature('Point', [-29.5, 47.3, 12], { name: 'Pier' }),
        feature('MultiPoint', [
          [-29.5, 47.3],
          [-29.6, 47.3],
        ]),
        feature(
          'LineString',
          [
            [-29.5, 47.3],
            [-29.6, 47.3],
          ],
          { name: 7 },
        ),
        feature(
          'MultiLineString',
          [
            [
              [-29.5, 47.3],
              [-29.6, 47.3],
            ],
            [
              [-29.5, 47.3],
              [-29.6, 47.3],
            ],
          ],
          null,
        ),
        feature('Polygon', [ring], { name: 'W', kind: 'wood', heightM: 12 }),
        feature('MultiPolygon', [[ring], [ring]]),
        { type: 'Feature', properties: {}, geometry: null },
        {
          type: 'Feature',
          properties: { name: 'G' },
          geometry: { type: 'GeometryCollection', geometries: [{ type: 'Point', coordinates: [1, 2] }] },
        },
      ),
    )
    expect([map.waypoints.length, map.tracks.length, map.areas.length]).toEqual([4, 3, 3])
    expect(map.waypoints[0]).toMatchObject({ name: 'Pier', lat: 47.3, lon: -29.5, elevationM: 12 })
    expect(map.areas[0]).toMatchObject({ name: 'W', kind: 'wood', heightM: 12 })
    expect(map.areas[1]).toMatchObject({ kind: '', heightM: null })
    expect(map.tracks[0]!.name).toBe('7')
  })
  it.each([
    ['no JSON', '{', 'not-json', 'file'],
    ['no GeoJSON', '[1]', 'not-geojson', 'file'],
    ['latitude first', collection(feature('Point', [47.3, -129.5])), 'off-globe', 'feature 1'],
    [
      'another system',
      JSON.stringify({
        type: 'FeatureCollection',
        crs: { properties: { name: 'urn:ogc:def:crs:EPSG::3857' } },
        features: [],
      }),
      'projection',
      'file',
    ],
    [
      'a line of one',
      collection(feature('Point', [1, 2]), feature('LineString', [[1, 2]])),
      'coordinates',
      'feature 2',
    ],
    [
      'an open outline of three',
      collection(
        feature('Polygon', [
          [
            [1, 1],
            [2, 2],
            [3, 1],
          ],
        ]),
      ),
      'coordinates',
      'feature 1',
    ],
    ['words for figures', collection(feature('Point', ['1', '2'])), 'coordinates', 'feature 1'],
    ['another geometry', collection(feature('Circle', [1, 2])), 'geometry', 'feature 1'],
    ['nothing in it', collection(), 'no-points', 'file'],
  ])('refuses %s with what, where and what would be right', (_n, text, code, where) => {
    expect(said('a.geojson', text)).toMatch(new RegExp(`^${code}: .{15,} \\(${where}\\)$`))
  })
})

it('a file of another kind is refused by name', () => {
  expect(said('a.shp', 'x')).toMatch(/^kind: .*\.gpx, \.kml, \.kmz and \.geojson/)
})

describe('what is written is read again', () => {
  const map: MapContents = {
    name: 'A & B',
    places: [{ name: 'Pier <1>', role: 'base', lat: 47.3, lon: -29.55 }],
    tracks: [
      {
        name: 'Lane',
        points: [
          { lat: 47.3, lon: -29.55, elevationM: 3 },
          { lat: 47.31, lon: -29.54 },
        ],
      },
    ],
    marks: [{ name: 'L01', legName: 'Lane', distanceM: 1340.26, lat: 47.31, lon: -29.54 }],
    areas: [
      {
        name: 'Wood',
        kind: 'wood',
        heightM: 14,
        rings: [
          [
            [-30, 47],
            [-29.9, 47],
            [-29.9, 47.1],
            [-30, 47],
          ],
        ],
      },
    ],
  }
  it.each([
    ['a.geojson', writeGeoJson(map)],
    ['a.kml', writeKml(map)],
  ])('%s: places, ways, marks, areas', (name, text) => {
    const back = taken(name, text)
    expect(back.waypoints.map((w) => w.name)).toEqual(['Pier <1>', 'L01'])
    expect(back.tracks[0]).toMatchObject({ name: 'Lane', points: [{ elevationM: 3 }, { lon: -29.54 }] })
    expect(back.areas).toEqual(map.areas)
  })
  it('rings of GeoJSON follow the right-hand rule: outline anticlockwise, holes clockwise', () => {
    const clockwise = [
      [0, 0],
      [0, 4],
      [4, 4],
      [4, 0],
      [0, 0],
    ] as [number, number][]
    const hole = [
      [1, 1],
      [2, 1],
      [2, 2],
      [1, 1],
    ] as [number, number][]
    const areas = [{ name: 'a', kind: 'wood', heightM: 3, rings: [clockwise, hole] }]
    const written = JSON.parse(writeGeoJson({ ...map, areas })) as {
      features: { geometry: { type: string; coordinates: [number, number][][] } }[]
    }
    const { coordinates } = written.features.find((f) => f.geometry.type === 'Polygon')!.geometry
    expect(coordinates).toEqual([[...clockwise].reverse(), [...hole].reverse()])
  })
  it('a.gpx: all but the areas', () => {
    const back = taken('a.gpx', writeGpx(map))
    expect(back.waypoints).toHaveLength(2)
    expect(back.tracks[0]).toMatchObject({ name: 'Lane', kind: 'route' })
    expect(back.areas).toEqual([])
  })
})
