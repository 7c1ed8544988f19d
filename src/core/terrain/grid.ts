import { metresPerDegree } from '@/core/geo/degrees'
import type { Place } from '@/core/geo'

/** A height that nobody knows. */
export const VOID = -32768

/**
 * Elevations on a regular grid of latitude and longitude, north row first, west column first. A value stands for the
 * middle of its cell: row r is at north - r · stepLat, column c at west + c · stepLon, degrees.
 */
export interface HeightGrid {
  width: number
  height: number
  /** Of the first column and the first row, degrees. */
  west: number
  north: number
  stepLon: number
  stepLat: number
  /** Metres of one unit of the data. */
  scaleM: number
  /** width · height values; {@link VOID} is not known. */
  data: Int16Array
  /** 1 where a void was filled; null where none was. */
  filled: Uint8Array | null
}

/** Most cells that a grid may have: a tile of one second, and some. */
export const MAX_CELLS = 16_000_000

export const gridBounds = (g: Omit<HeightGrid, 'data' | 'filled' | 'scaleM'>) => ({
  west: g.west,
  east: g.west + (g.width - 1) * g.stepLon,
  north: g.north,
  south: g.north - (g.height - 1) * g.stepLat,
})

/** The outer edges of a grid's cells, degrees. */
export function gridEdges(g: Parameters<typeof gridBounds>[0]) {
  const { west, east, north, south } = gridBounds(g)
  const [x, y] = [g.stepLon / 2, g.stepLat / 2]
  return { west: west - x, east: east + x, north: north + y, south: south - y }
}

function covers(g: HeightGrid, { lat, lon }: Place): boolean {
  const b = gridBounds(g)
  return lat <= b.north + 1e-9 && lat >= b.south - 1e-9 && lon >= b.west - 1e-9 && lon <= b.east + 1e-9
}

/**
 * Height over the sea at a place, m, bilinear between the four cells around it.
 * @returns NaN outside the grid, or where one of the four is not known
 */
export function heightAt(g: HeightGrid, lat: number, lon: number): number {
  const x = (lon - g.west) / g.stepLon
  const y = (g.north - lat) / g.stepLat
  if (!(x >= -1e-9 && y >= -1e-9 && x <= g.width - 1 + 1e-9 && y <= g.height - 1 + 1e-9)) return NaN
  const c = Math.min(Math.max(Math.floor(x), 0), g.width - 2)
  const r = Math.min(Math.max(Math.floor(y), 0), g.height - 2)
  const i = r * g.width + c
  const [a, b] = [g.data[i]!, g.data[i + 1]!]
  const [e, d] = [g.data[i + g.width]!, g.data[i + g.width + 1]!]
  if (a === VOID || b === VOID || e === VOID || d === VOID) return NaN
  const fx = x - c
  const fy = y - r
  return g.scaleM * ((a * (1 - fx) + b * fx) * (1 - fy) + (e * (1 - fx) + d * fx) * fy)
}

/** Several grids side by side; where they overlap, the finest goes first, of like ones the last brought in. */
export interface Terrain {
  grids: readonly HeightGrid[]
}

export function terrainOf(grids: readonly HeightGrid[]): Terrain {
  const alike = (a: HeightGrid, b: HeightGrid) => Math.abs(a.stepLat / b.stepLat - 1) < 0.01
  return { grids: [...grids].reverse().sort((a, b) => (alike(a, b) ? 0 : a.stepLat - b.stepLat)) }
}

/** Height over the sea, m; NaN where no grid knows it. Between tiles that do not share a row the nearer edge stands. */
export function terrainHeight(t: Terrain, lat: number, lon: number): number {
  for (const g of t.grids) {
    const h = heightAt(g, lat, lon)
    if (!Number.isNaN(h)) return h
  }
  // In the seam between two tiles: within one step of an edge the edge's own height stands.
  for (const g of t.grids) {
    const b = gridBounds(g)
    const near = heightAt(
      g,
      Math.min(Math.max(lat, b.south), b.north),
      Math.min(Math.max(lon, b.west), b.east),
    )
    const off = Math.max(b.south - lat, lat - b.north, (b.west - lon) * 1, lon - b.east)
    if (!Number.isNaN(near) && off <= g.stepLat) return near
  }
  return NaN
}

/** Spacing of the finest grid at a place, m; null where there is none. */
export function spacingM(t: Terrain, place: Place): number | null {
  const g = t.grids.find((x) => covers(x, place))
  return g ? g.stepLat * metresPerDegree(place.lat).lat : null
}
