import type { Place } from '@/core/geo'
import { metresPerDegree } from '@/core/geo/degrees'
import { gridBounds, VOID, type HeightGrid } from './grid'
import { shadedRelief, type ReliefInks } from './relief'

interface HeightThere extends Place {
  heightM: number
}

/** What a grid holds, for whoever looks at it before it is taken. */
export interface GridDescription {
  bounds: { west: number; east: number; north: number; south: number }
  /** Metres from row to row, and the sides of the whole, km. */
  spacingM: number
  widthKm: number
  heightKm: number
  lowest: HeightThere
  highest: HeightThere
  /** Shares of all cells, 0 to 1. */
  unknownShare: number
  filledShare: number
}

/** What a grid holds. @param grid one height at least is known */
export function describeGrid(grid: HeightGrid): GridDescription {
  const { width, height, data, filled, scaleM } = grid
  let [low, high, unknown, guessed] = [-1, -1, 0, 0]
  for (let i = 0; i < data.length; i++) {
    const v = data[i]!
    if (v === VOID) {
      unknown++
      continue
    }
    if (filled?.[i] === 1) guessed++
    if (low < 0 || v < data[low]!) low = i
    if (high < 0 || v > data[high]!) high = i
  }
  const there = (i: number): HeightThere => ({
    heightM: data[i]! * scaleM,
    lat: grid.north - Math.floor(i / width) * grid.stepLat,
    lon: grid.west + (i % width) * grid.stepLon,
  })
  const bounds = gridBounds(grid)
  const degree = metresPerDegree((bounds.north + bounds.south) / 2)
  return {
    bounds,
    spacingM: grid.stepLat * degree.lat,
    widthKm: ((width - 1) * grid.stepLon * degree.lon) / 1000,
    heightKm: ((height - 1) * grid.stepLat * degree.lat) / 1000,
    lowest: there(low),
    highest: there(high),
    unknownShare: unknown / data.length,
    filledShare: guessed / data.length,
  }
}

/** A grid in so few cells that none of its sides has more than so many: of several cells one is taken. */
function thinned(grid: HeightGrid, most: number): HeightGrid {
  const every = Math.max(1, Math.ceil(Math.max(grid.width, grid.height) / most))
  if (every === 1) return grid
  const width = Math.ceil(grid.width / every)
  const height = Math.ceil(grid.height / every)
  const pick = <A extends Int16Array | Uint8Array>(from: A, into: A): A => {
    for (let r = 0; r < height; r++)
      for (let c = 0; c < width; c++) into[r * width + c] = from[r * every * grid.width + c * every]!
    return into
  }
  return {
    ...grid,
    width,
    height,
    stepLon: grid.stepLon * every,
    stepLat: grid.stepLat * every,
    data: pick(grid.data, new Int16Array(width * height)),
    filled: grid.filled && pick(grid.filled, new Uint8Array(width * height)),
  }
}

/** A small picture of a grid's relief, RGBA. @param most pixels of its longer side */
export function thumbnailOf(
  grid: HeightGrid,
  inks: ReliefInks,
  most: number,
): { width: number; height: number; pixels: Uint8ClampedArray } {
  const small = thinned(grid, most)
  return { width: small.width, height: small.height, pixels: shadedRelief(small, inks) }
}
