import proj4 from 'proj4'
import { metresPerDegree } from '@/core/geo/degrees'
import { bad, good, problem, type Outcome } from '@/core/outcome'
import { MAX_CELLS, VOID, type HeightGrid } from '../grid'
import { packHeights } from '../packHeights'
import type { RawHeights } from './raw'

/** Places along each edge whose degrees say how far the grid reaches. */
const ALONG = 16

/** Cells between places of the exact projection: between them it is interpolated, off by millimetres in fine grids. */
const EVERY = 16
const FINE_DEG = 0.002

/** Of a file that tells no height. */
export const ALL_VOID = 'It holds no height at all, only voids.'

interface Projection {
  forward(p: [number, number]): number[]
  inverse(p: [number, number]): number[]
}

function edgeOf(
  raw: RawHeights,
  project: Projection,
): { west: number; east: number; south: number; north: number } {
  const [x1, y1] = [raw.x0 + (raw.width - 1) * raw.stepX, raw.y0 - (raw.height - 1) * raw.stepY]
  const edge = Array.from({ length: ALONG + 1 }, (_, i) => i / ALONG).flatMap((t) => {
    const [x, y] = [raw.x0 + t * (x1 - raw.x0), raw.y0 + t * (y1 - raw.y0)]
    const places: [number, number][] = [
      [x, raw.y0],
      [x, y1],
      [raw.x0, y],
      [x1, y],
    ]
    return places.map((p) => project.inverse(p))
  })
  const [lons, lats] = [edge.map((p) => p[0]!), edge.map((p) => p[1]!)]
  return {
    west: Math.min(...lons),
    east: Math.max(...lons),
    south: Math.min(...lats),
    north: Math.max(...lats),
  }
}

/** Bilinear in the file's own cells; NaN outside, and where one of the four is not known. */
function between({ width, height, values }: RawHeights, x: number, y: number): number {
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

/**
 * Brings heights of a projection to degrees, at the same spacing, by bilinear interpolation.
 * @param system the projection as the projection library takes it: its own words, or WKT
 * @param metresPerUnit of the file's coordinates, where the projection's are metres and the file's are not
 */
export function toDegrees(
  name: string,
  file: RawHeights,
  system: string,
  metresPerUnit = 1,
): Outcome<HeightGrid> {
  const raw = {
    ...file,
    x0: file.x0 * metresPerUnit,
    y0: file.y0 * metresPerUnit,
    stepX: file.stepX * metresPerUnit,
    stepY: file.stepY * metresPerUnit,
  }
  const project = proj4('EPSG:4326', system) as Projection
  const { west, east, south, north } = edgeOf(raw, project)
  if (![west, east, south, north].every(Number.isFinite) || north > 90 || south < -90 || east - west > 180)
    return bad(
      problem(
        'projection',
        name,
        'By the projection that it names it lies nowhere on the earth. Look whether it is the right one.',
      ),
    )
  // A step of the projection is as long on the ground as its scale there; it is the ground's spacing that counts.
  const [a, b] = [
    project.inverse([
      raw.x0 + ((raw.width - 1) / 2) * raw.stepX,
      raw.y0 - ((raw.height - 1) / 2) * raw.stepY,
    ]),
    project.inverse([
      raw.x0 + ((raw.width - 1) / 2) * raw.stepX,
      raw.y0 - ((raw.height - 1) / 2 + 1) * raw.stepY,
    ]),
  ]
  const degree = metresPerDegree((south + north) / 2)
  const stepLat = Math.hypot(a[1]! - b[1]!, ((a[0]! - b[0]!) * degree.lon) / degree.lat)
  const stepLon = ((stepLat * degree.lat) / degree.lon) * (raw.stepX / raw.stepY)
  const width = Math.max(2, Math.floor((east - west) / stepLon) + 1)
  const height = Math.max(2, Math.floor((north - south) / stepLat) + 1)
  if (width * height > MAX_CELLS)
    return bad(
      problem(
        'too-large',
        name,
        `Turned north up it has ${width} × ${height} cells; ${MAX_CELLS} are the most. Cut it to your ground first.`,
      ),
    )
  const values = new Float32Array(width * height).fill(NaN)
  const at = (c: number, r: number) => {
    const [x, y] = project.forward([west + c * stepLon, north - r * stepLat]) as [number, number]
    return [(x - raw.x0) / raw.stepX, (raw.y0 - y) / raw.stepY] as const
  }
  const every = stepLat < FINE_DEG ? EVERY : 1
  for (let r = 0; r < height; r++)
    for (let c = 0; c < width; c += every) {
      const count = Math.min(every, width - c)
      const [x, y] = at(c, r)
      const [x1, y1] = at(c + count, r)
      for (let k = 0; k < count; k++)
        values[r * width + c + k] = between(raw, x + ((x1 - x) * k) / count, y + ((y1 - y) * k) / count)
    }
  const packed = packHeights(values)
  if (packed.data.every((v) => v === VOID)) return bad(problem('all-void', name, ALL_VOID))
  return good({ width, height, west, north, stepLon, stepLat, ...packed, filled: null })
}
