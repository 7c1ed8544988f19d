import type { Place } from '@/core/geo'
import { metresPerDegree } from '@/core/geo/degrees'
import { onceWhileHeld } from '@/core/onceEach'
import { coverAt, spacingM, terrainHeight, type Cover, type CoverAt, type Terrain } from '@/core/terrain'

/** Square cells about a place in their middle, as on a plane; row 0 in the north. */
export interface MapRaster {
  base: Place
  /** Cells from the middle to each edge: the side is 2 · half + 1. */
  half: number
  stepM: number
  stepLat: number
  stepLon: number
}

/** Cells from the middle to an edge at most; a multiple of {@link COARSEST}. */
const MOST_HALF = 304
/** Only each so many of the cells, both ways, are looked at first. */
export const COARSEST = 8
/** Every so many of them where it is as fine as it gets. */
export const FINEST = 2

/** As a raster; cells are no finer than the ground is known there. */
export function rasterAbout(terrain: Terrain, base: Place, radiusM: number): MapRaster {
  const finest = Math.max(radiusM / MOST_HALF, (spacingM(terrain, base) ?? 30) * 0.75)
  const half = Math.max(COARSEST, Math.ceil(radiusM / finest / COARSEST) * COARSEST)
  const stepM = radiusM / half
  const degree = metresPerDegree(base.lat)
  return { base, half, stepM, stepLat: stepM / degree.lat, stepLon: stepM / degree.lon }
}

/** The place of a cell, east and south of the middle. */
export const cellPlace = ({ base, stepLat, stepLon }: MapRaster, east: number, south: number): Place => ({
  lat: base.lat - south * stepLat,
  lon: base.lon + east * stepLon,
})

/** Ground of a raster, and what stands on it. */
export interface RasterGround {
  raster: MapRaster
  /** Over the sea, m, by rows; NaN where nobody knows. */
  heightsM: Float32Array
  /** What stands on a cell: 0 for nothing said, else one more than its place in `kinds`. */
  cover: Uint16Array | null
  kinds: CoverAt[]
}

/** Less of what is known than this is no land to speak of, and the sea counts too. */
const LEAST_LAND = 0.05

/** Whether a raster has sea (ground at exactly 0 m) that is left out of shares and areas, as nobody walks there. */
export const landAlone = onceWhileHeld((ground: RasterGround): boolean => {
  let [land, sea] = [0, 0]
  for (const h of ground.heightsM) {
    if (h === 0) sea++
    else if (h === h) land++
  }
  return sea > 0 && land > LEAST_LAND * (land + sea)
})

/** Whether a cell, east and south of the middle, counts in shares and areas. */
export function countsAt(ground: RasterGround, east: number, south: number): boolean {
  const { half } = ground.raster
  return !landAlone(ground) || ground.heightsM[(half + south) * (2 * half + 1) + half + east] !== 0
}

export function rasterGround(terrain: Terrain, cover: Cover | null, raster: MapRaster): RasterGround {
  const side = 2 * raster.half + 1
  const heightsM = new Float32Array(side * side)
  const on = cover && cover.areas.length > 0 ? new Uint16Array(side * side) : null
  const kinds: CoverAt[] = []
  const known = new Map<string, number>()
  const indexOf = (at: CoverAt) => {
    const key = `${at.kind} ${at.heightM}`
    const index = known.get(key) ?? kinds.push(at)
    known.set(key, index)
    return index
  }
  for (let row = 0, i = 0; row < side; row++)
    for (let column = 0; column < side; column++, i++) {
      const place = cellPlace(raster, column - raster.half, row - raster.half)
      heightsM[i] = terrainHeight(terrain, place.lat, place.lon)
      const at = on && coverAt(cover!, place)
      if (at) on[i] = indexOf(at)
    }
  return { raster, heightsM, cover: on, kinds }
}

/** Values on every so many-th cell of a raster, both ways, the edges included. */
export interface Field {
  raster: MapRaster
  every: number
  /** By rows from the north. */
  values: Float32Array
}

export const fieldSide = ({ half }: MapRaster, every: number) => (2 * half) / every + 1

export function emptyField(raster: MapRaster, every: number): Field {
  const values = new Float32Array(fieldSide(raster, every) ** 2)
  return { raster, every, values: values.fill(NaN) }
}

/** The place of a field's value. */
export function fieldPlace({ raster, every }: Pick<Field, 'raster' | 'every'>, i: number): Place {
  const side = fieldSide(raster, every)
  const [row, column] = [Math.floor(i / side), i % side]
  return cellPlace(raster, column * every - raster.half, row * every - raster.half)
}

/** The value of a field nearest to a place, by its index; -1 off the map. */
export function nearestTo({ raster, every }: Pick<Field, 'raster' | 'every'>, place: Place): number {
  const side = fieldSide(raster, every)
  const row = Math.round(((raster.base.lat - place.lat) / raster.stepLat + raster.half) / every)
  const column = Math.round(((place.lon - raster.base.lon) / raster.stepLon + raster.half) / every)
  return row >= 0 && row < side && column >= 0 && column < side ? row * side + column : -1
}

/** Distance of a field's value from the middle, m. */
export function fieldDistanceM({ raster, every }: Pick<Field, 'raster' | 'every'>, i: number): number {
  const side = fieldSide(raster, every)
  const [row, column] = [Math.floor(i / side), i % side]
  return Math.hypot(column * every - raster.half, row * every - raster.half) * raster.stepM
}

/** A coarser field read at the places of a finer one over the same raster, bilinear. */
export function refined(coarse: Field, every: number): Field {
  if (coarse.every === every) return coarse
  const fine = emptyField(coarse.raster, every)
  const [from, to] = [fieldSide(coarse.raster, coarse.every), fieldSide(coarse.raster, every)]
  const ratio = every / coarse.every
  for (let row = 0, i = 0; row < to; row++)
    for (let column = 0; column < to; column++, i++) {
      const [y, x] = [row * ratio, column * ratio]
      const [r, c] = [Math.min(from - 2, Math.floor(y)), Math.min(from - 2, Math.floor(x))]
      const [fy, fx] = [y - r, x - c]
      const at = r * from + c
      const v = coarse.values
      fine.values[i] =
        (v[at]! * (1 - fx) + v[at + 1]! * fx) * (1 - fy) +
        (v[at + from]! * (1 - fx) + v[at + from + 1]! * fx) * fy
    }
  return fine
}
