import { readFileSync } from 'node:fs'
import { gzipSync, zipSync } from 'fflate'
import { dayOfFiles, guessScales, readElevation } from '@/core/exchange'
import {
  decodeText,
  guessColumns,
  readCheckRows,
  readChecksTable,
  readGpx,
  readKitJson,
  readMapFile,
  readNmea,
} from '@/core/formats'
import { readRuleSet } from '@/core/kit'
import { good, type Outcome } from '@/core/outcome'
import {
  gridFromPoints,
  readAsciiGrid,
  readGeoTiff,
  readHeightPoints,
  readHgt,
  readXyz,
} from '@/core/terrain'
import { readEntries, readRunFile } from '@/core/trial/readLog'
import { parsedJson } from './parsedJson'

/** A reader of what comes from outside, with files that it takes, to be damaged. */
export interface Reader {
  name: string
  seeds: Uint8Array[]
  read: (bytes: Uint8Array) => Outcome<unknown> | Promise<Outcome<unknown>>
  /** How many times dearer than the others it is: so many fewer damaged files are read in a test. */
  dear?: number
}

const path = (name: string) => new URL(`../../../${name}`, import.meta.url)
const file = (name: string) => new Uint8Array(readFileSync(path(name)))
const text = (t: string) => new TextEncoder().encode(t)
const decoded = (bytes: Uint8Array) => decodeText(bytes).text
const bufferOf = (bytes: Uint8Array) => bytes.slice().buffer

const CHECKS = decoded(file('e2e/fixtures/ostrey-spring-checks.csv')).split('\n').slice(0, 12).join('\n')
const KIT = decoded(file('e2e/fixtures/ostrey-spring-kit.json'))
const GPX = `<?xml version="1.0"?><gpx version="1.1"><wpt lat="47.3" lon="-29.5"><name>S1</name><ele>12.5</ele></wpt>
<trk><name>Way</name><trkseg><trkpt lat="47.31" lon="-29.51"><time>2026-05-16T08:00:00Z</time></trkpt>
<trkpt lat="47.32" lon="-29.52"/></trkseg></trk></gpx>`
const KML = `<kml><Document><Placemark><name>Wood</name><ExtendedData><Data name="kind"><value>wood</value></Data>
</ExtendedData><Polygon><outerBoundaryIs><LinearRing><coordinates>-29.5,47.3 -29.4,47.3 -29.4,47.4 -29.5,47.3
</coordinates></LinearRing></outerBoundaryIs></Polygon></Placemark><Placemark><Point><coordinates>-29.5,47.3,12
</coordinates></Point></Placemark></Document></kml>`
const GEOJSON = JSON.stringify({
  type: 'FeatureCollection',
  features: [
    {
      type: 'Feature',
      properties: { name: 'a' },
      geometry: { type: 'Point', coordinates: [-29.5, 47.3, 3] },
    },
    {
      type: 'Feature',
      properties: { kind: 'wood', heightM: 12 },
      geometry: {
        type: 'Polygon',
        coordinates: [
          [
            [0, 0],
            [1, 0],
            [1, 1],
            [0, 0],
          ],
        ],
      },
    },
  ],
})
const ASC = `ncols 4\nnrows 3\nxllcorner -29.5\nyllcorner 47.3\ncellsize 0.01\nNODATA_value -9999\n${'1 2 3 -9999\n'.repeat(3)}`
const UTM_ASC =
  'ncols 4\nnrows 3\nxllcorner 500000\nyllcorner 5200000\ncellsize 30\n1 2 3 4 5 6 7 8 9 10 11 12'
const GEOGCS =
  'GEOGCS["WGS 84",DATUM["WGS_1984",SPHEROID["WGS 84",6378137,298.257223563]],PRIMEM["Greenwich",0],UNIT["degree",0.0174532925199433]]'
const PRJ = `PROJCS["WGS 84 / UTM zone 26N",${GEOGCS},PROJECTION["Transverse_Mercator"],PARAMETER["latitude_of_origin",0],PARAMETER["central_meridian",-27],PARAMETER["scale_factor",0.9996],PARAMETER["false_easting",500000],PARAMETER["false_northing",0],UNIT["metre",1]]`
const RUN = JSON.stringify({
  format: 'even-reach-run',
  pack: { protocol: 5, runId: 'r', trialId: 't', runName: 'x', startedAt: '2026-05-16T08:00:00Z', plan: {} },
  entries: [],
  media: [],
})
const BATCH = JSON.stringify({
  protocol: 5,
  entries: [
    {
      ...{ id: '01970000-0000-7000-8000-000000000001', runId: 'r', device: 'd', role: 'base', seq: 1 },
      ...{ wallTime: '2026-05-16T08:00:00Z', supersedes: null, body: { kind: 'note', text: 'wet' } },
    },
  ],
  status: { sentAt: '2026-05-16T08:00:00Z', waiting: 2 },
})

/** Checks and a kit as one import: guessed, read, put together. */
function day(bytes: Uint8Array): Outcome<unknown> {
  const table = readChecksTable(decoded(bytes))
  if (!table.ok) return table
  const { rows } = readCheckRows(table.value, guessColumns(table.value.heading), null)
  const kit = readKitJson(KIT)
  if (!kit.ok) return kit
  const scales = guessScales(rows, kit.value)
  return dayOfFiles(rows, kit.value, null, { scales, makeId: (_what, name) => name })
}

const json = (read: (raw: unknown) => Outcome<unknown>) => (bytes: Uint8Array) => {
  const raw = parsedJson(decoded(bytes))
  return raw.ok ? read(raw.value) : raw
}

/** Every reader of what comes from outside. */
export const READERS: readonly Reader[] = [
  { name: 'checks and kit', seeds: [text(CHECKS)], read: day, dear: 4 },
  { name: 'kit', seeds: [text(KIT)], read: (b) => readKitJson(decoded(b)) },
  { name: 'GPX', seeds: [text(GPX)], read: (b) => readGpx(decoded(b)) },
  {
    name: 'map file',
    seeds: [text(KML), text(GEOJSON), zipSync({ 'doc.kml': text(KML) })],
    read: (b) => readMapFile(b[0] === 0x50 ? 'a.kmz' : b[0] === 0x3c ? 'a.kml' : 'a.geojson', b),
  },
  {
    name: 'NMEA',
    seeds: [text('$GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,*47')],
    read: (b) => good(readNmea(decoded(b))),
  },
  { name: 'ASCII grid', seeds: [text(ASC)], read: (b) => readAsciiGrid('a.asc', decoded(b)) },
  {
    name: 'GeoTIFF',
    seeds: [
      ...['utm-lzw.tif', 'float-nodata.tif', 'big-endian.tif', 'south-up.tif', 'feet.tif', 'scaled.tif'],
      ...['laea.tif', 'lcc-feet.tif', 'untagged.tif'],
    ].map((f) => file(`src/core/terrain/read/fixtures/${f}`)),
    read: (b) => readGeoTiff('a.tif', bufferOf(b)),
    dear: 8,
  },
  { name: 'SRTM tile', seeds: [new Uint8Array(2000)], read: (b) => readHgt('N47W030.hgt', bufferOf(b)) },
  {
    name: 'xyz',
    seeds: [text('x y z\n-29.5 47.3 1\n-29.4 47.3 2\n-29.5 47.4 3\n-29.4 47.4 4.5\n')],
    read: (b) => readXyz('a.xyz', decoded(b)),
  },
  {
    name: 'ASCII grid with its projection',
    seeds: [text(PRJ)],
    read: (b) => readAsciiGrid('a.asc', UTM_ASC, decoded(b)),
  },
  {
    name: 'packed elevation',
    seeds: [zipSync({ 'in/a.asc': text(ASC), 'a.prj': text(GEOGCS) })],
    read: (b) => readElevation([{ name: 'a.zip', bytes: b.slice() }]),
  },
  {
    name: 'gzipped elevation',
    seeds: [gzipSync(text(ASC))],
    read: (b) => readElevation([{ name: 'a.asc.gz', bytes: b.slice() }]),
  },
  {
    name: 'typed heights',
    seeds: [text('47.3 -29.55 120\n47.31 -29.55 130\n47.32 -29.54 90\n')],
    read: (b) => {
      const points = readHeightPoints(decoded(b))
      return points.ok ? gridFromPoints('typed', points.value) : points
    },
    dear: 8,
  },
  { name: 'rules', seeds: [text('{"name":"a","services":[]}')], read: (b) => readRuleSet(decoded(b)) },
  { name: 'run file', seeds: [text(RUN)], read: json(readRunFile) },
  { name: 'entries', seeds: [text(BATCH)], read: json((raw) => readEntries(raw, 'r')) },
]
