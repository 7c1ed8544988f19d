import { metresPerDegree } from '@/core/geo/degrees'
import { fromArrayBuffer } from 'geotiff'
import proj4 from 'proj4'
import { type Outcome, bad, good, problem } from '@/core/outcome'
import { MAX_CELLS, VOID, type HeightGrid } from './grid'
import { packHeights } from './packHeights'

/** Geographic systems whose degrees are taken as WGS 84's; they differ by metres at most. */
const GEOGRAPHIC = new Set([4326, 4258, 4269, 4979])

/** UTM on WGS 84 or ETRS 89, as the projection library writes it; null for any other. */
function utm(epsg: number): string | null {
  const zone = (from: number, to: number) => (epsg > from && epsg <= to ? epsg - from : null)
  const north = zone(32600, 32660) ?? (epsg >= 25828 && epsg <= 25838 ? epsg - 25800 : null)
  const south = zone(32700, 32760)
  if (north === null && south === null) return null
  return `+proj=utm +zone=${north ?? south} ${south === null ? '' : '+south '}+datum=WGS84 +units=m +no_defs`
}

/** What the file itself calls its projection, in brackets. */
function named(keys: Record<string, unknown>): string {
  const words = keys.PCSCitationGeoKey ?? keys.GTCitationGeoKey
  return typeof words === 'string' && words !== '' ? ` (${words.split('|')[0]!.slice(0, 60)})` : ''
}

interface Raw {
  width: number
  height: number
  values: Float32Array
  /** Middle of the first cell, and steps, in the file's own units. */
  x0: number
  y0: number
  stepX: number
  stepY: number
}

/**
 * Reads a GeoTIFF of heights: tiled or stripped, 16-bit or floating, DEFLATE, LZW or none, with its nodata,
 * in degrees or in UTM. UTM is brought to degrees by bilinear interpolation at the same spacing. The header's
 * sizes are checked before anything is read.
 */
export async function readGeoTiff(name: string, bytes: ArrayBuffer): Promise<Outcome<HeightGrid>> {
  const refuse = (code: string, message: string) => bad(problem(code, name, message))
  let raw: Raw
  let epsg: number
  try {
    const tiff = await fromArrayBuffer(bytes)
    const image = await tiff.getImage()
    const [width, height] = [image.getWidth(), image.getHeight()]
    if (!(width >= 2 && height >= 2) || width * height > MAX_CELLS)
      return refuse(
        'too-large',
        `It claims ${width} × ${height} cells; 2 × 2 to ${MAX_CELLS} in all can be read. Cut it to your ground first.`,
      )
    // Nothing compresses heights a thousandfold: a header that claims so lies.
    if (width * height > bytes.byteLength * 1000)
      return refuse(
        'lies',
        `It claims ${width} × ${height} cells in ${bytes.byteLength} bytes; that cannot be.`,
      )
    const keys = (image.getGeoKeys() ?? {}) as Record<string, number | undefined>
    epsg = keys.ProjectedCSTypeGeoKey ?? keys.GeographicTypeGeoKey ?? 0
    if (epsg === 32767 || epsg === 0)
      return refuse(
        'projection',
        'It does not say its projection. Known are degrees (EPSG:4326, 4258, 4269) and UTM (EPSG:32601 to 32660, 32701 to 32760, 25828 to 25838).',
      )
    if (!GEOGRAPHIC.has(epsg) && utm(epsg) === null)
      return refuse(
        'projection',
        `Its projection is EPSG:${epsg}${named(keys)}, which is not known here. Known are degrees (EPSG:4326, 4258, 4269) and UTM (EPSG:32601 to 32660, 32701 to 32760, 25828 to 25838).`,
      )
    const [x, y] = image.getOrigin() as [number, number]
    const [rx, ry] = image.getResolution() as [number, number]
    const half = keys.GTRasterTypeGeoKey === 2 ? 0 : 0.5
    const band = (await image.readRasters({ samples: [0], interleave: true })) as unknown as ArrayLike<number>
    const nodata = image.getGDALNoData()
    const values = Float32Array.from(band, (v) => (v === nodata || v === VOID ? NaN : v))
    raw = { width, height, values, x0: x + half * rx, y0: y + half * ry, stepX: rx, stepY: -ry }
  } catch (e) {
    return refuse(
      'tiff',
      `It cannot be read as a GeoTIFF: ${(e as Error).message}. It may be cut short or no GeoTIFF.`,
    )
  }
  if (!(raw.stepX > 0 && raw.stepY > 0))
    return refuse('upside-down', 'Its rows do not run from north to south; save it north up.')
  const grid = GEOGRAPHIC.has(epsg) ? asDegrees(raw) : fromUtm(raw, utm(epsg)!)
  if (grid.data.every((v) => v === VOID)) return refuse('all-void', 'It holds no height at all, only voids.')
  return good(grid)
}

function asDegrees(raw: Raw): HeightGrid {
  const { data, scaleM } = packHeights(raw.values)
  return {
    width: raw.width,
    height: raw.height,
    west: raw.x0,
    north: raw.y0,
    stepLon: raw.stepX,
    stepLat: raw.stepY,
    scaleM,
    data,
    filled: null,
  }
}

function fromUtm(raw: Raw, system: string): HeightGrid {
  const project = proj4('EPSG:4326', system)
  const [x1, y1] = [raw.x0 + (raw.width - 1) * raw.stepX, raw.y0 - (raw.height - 1) * raw.stepY]
  const edge = [0, 0.25, 0.5, 0.75, 1].flatMap((t) => {
    const [x, y] = [raw.x0 + t * (x1 - raw.x0), raw.y0 + t * (y1 - raw.y0)]
    return [
      [x, raw.y0],
      [x, y1],
      [raw.x0, y],
      [x1, y],
    ].map((p) => project.inverse(p as [number, number]))
  })
  const lons = edge.map((p) => p[0]!)
  const lats = edge.map((p) => p[1]!)
  const [west, east, south, north] = [
    Math.min(...lons),
    Math.max(...lons),
    Math.min(...lats),
    Math.max(...lats),
  ]
  const degree = metresPerDegree((south + north) / 2)
  const [stepLat, stepLon] = [raw.stepY / degree.lat, raw.stepX / degree.lon]
  const width = Math.max(2, Math.floor((east - west) / stepLon) + 1)
  const height = Math.max(2, Math.floor((north - south) / stepLat) + 1)
  const values = new Float32Array(width * height).fill(NaN)
  for (let r = 0; r < height; r++)
    for (let c = 0; c < width; c++) {
      const [x, y] = project.forward([west + c * stepLon, north - r * stepLat]) as [number, number]
      values[r * width + c] = between(raw, (x - raw.x0) / raw.stepX, (raw.y0 - y) / raw.stepY)
    }
  const { data, scaleM } = packHeights(values)
  return { width, height, west, north, stepLon, stepLat, scaleM, data, filled: null }
}

/** Bilinear in the file's own cells; NaN outside. */
function between({ width, height, values }: Raw, x: number, y: number): number {
  if (!(x >= 0 && y >= 0 && x <= width - 1 && y <= height - 1)) return NaN
  const c = Math.min(Math.floor(x), width - 2)
  const r = Math.min(Math.floor(y), height - 2)
  const [fx, fy] = [x - c, y - r]
  const i = r * width + c
  return (
    (values[i]! * (1 - fx) + values[i + 1]! * fx) * (1 - fy) +
    (values[i + width]! * (1 - fx) + values[i + width + 1]! * fx) * fy
  )
}
