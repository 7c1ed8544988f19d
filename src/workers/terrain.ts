import * as Comlink from 'comlink'
import type { Outcome } from '@/core/formats/problem'
import { readGpx } from '@/core/formats/gpx'
import { bad, problem } from '@/core/formats/problem'
import type { Place } from '@/core/geo'
import {
  contourLines,
  contourStepM,
  DAY_INKS,
  fillVoids,
  gridBounds,
  gridFromPoints,
  groundProfile,
  NIGHT_INKS,
  readAsciiGrid,
  readGeoTiff,
  readHeightPoints,
  readHgt,
  shadedRelief,
  terrainOf,
  viewshed,
  type GroundProfile,
  type HeightGrid,
  type Terrain,
} from '@/core/terrain'

/** Where a grid lies, as the server lists it. */
export type GridPlace = Omit<HeightGrid, 'data' | 'filled'> & { id: string; name: string }

/** One grid drawn: relief as pixels, contours in cells from its north-west corner. */
export interface DrawnGrid {
  id: string
  width: number
  height: number
  /** Outer edges, degrees. */
  extent: [west: number, south: number, east: number, north: number]
  pixels: Uint8ClampedArray
  contours: { heightM: number; segments: Float32Array }[]
  contourStepM: number
}

const held = new Map<string, HeightGrid>()
let terrain: Terrain = terrainOf([])
/** Drawn once for each grid and light. */
const drawn = new Map<string, Omit<DrawnGrid, 'id'>>()

function extentOf(g: HeightGrid): DrawnGrid['extent'] {
  const b = gridBounds(g)
  return [b.west - g.stepLon / 2, b.south - g.stepLat / 2, b.east + g.stepLon / 2, b.north + g.stepLat / 2]
}

/** A file of elevations of whatever kind, by its name. */
async function readGround(name: string, bytes: ArrayBuffer): Promise<Outcome<HeightGrid>> {
  const lower = name.toLowerCase()
  const text = () => new TextDecoder().decode(bytes)
  if (lower.endsWith('.hgt')) return readHgt(name, bytes)
  if (lower.endsWith('.asc')) return readAsciiGrid(name, text())
  if (/\.tiff?$/.test(lower)) return readGeoTiff(name, bytes)
  if (lower.endsWith('.gpx')) {
    const gpx = readGpx(text())
    if (!gpx.ok) return gpx
    const { ways, waypoints } = gpx.value
    const points = [...waypoints, ...ways.flatMap((w) => w.points)].flatMap((p) =>
      p.elevationM == null ? [] : [{ lat: p.lat, lon: p.lon, heightM: p.elevationM }],
    )
    return gridFromPoints(name, points)
  }
  if (lower.endsWith('.txt')) {
    const points = readHeightPoints(text())
    return points.ok ? gridFromPoints(name, points.value) : points
  }
  return bad(
    problem(
      'kind',
      name,
      'Elevation is read from .hgt, .tif and .asc files, from a .gpx with heights, or a .txt of places; this is none of them.',
    ),
  )
}

const api = {
  /** Reads a file of elevations and fills its voids. The heights are handed over, not copied. */
  async read(name: string, bytes: ArrayBuffer): Promise<Outcome<{ grid: HeightGrid; filled: number }>> {
    const outcome = await readGround(name, bytes)
    if (!outcome.ok) return outcome
    const { grid, filled } = fillVoids(outcome.value)
    const handed = [grid.data.buffer, ...(grid.filled ? [grid.filled.buffer] : [])] as ArrayBuffer[]
    return Comlink.transfer({ ok: true as const, value: { grid, filled } }, handed)
  },

  /** Loads the grids listed, and forgets others. @returns how many are loaded */
  async load(places: GridPlace[]): Promise<number> {
    for (const id of held.keys()) if (!places.some((p) => p.id === id)) held.delete(id)
    for (const { id, name: _name, ...meta } of places) {
      if (held.has(id)) continue
      const response = await fetch(`/api/grids/${id}`)
      if (!response.ok) continue
      const bytes = await response.arrayBuffer()
      const cells = meta.width * meta.height
      const data = new Int16Array(bytes, 0, cells)
      const filled = bytes.byteLength > cells * 2 ? new Uint8Array(bytes, cells * 2) : null
      held.set(id, { ...meta, data, filled })
    }
    terrain = terrainOf([...held.values()])
    return held.size
  },

  /** Relief and contours of a grid, kept once drawn. */
  draw(id: string, night: boolean): DrawnGrid | null {
    const grid = held.get(id)
    if (!grid) return null
    const key = `${id} ${night}`
    let found = drawn.get(key)
    if (!found) {
      const range = grid.data.reduce((m, v) => Math.max(m, v)) * grid.scaleM
      const step = contourStepM(range)
      found = {
        width: grid.width,
        height: grid.height,
        extent: extentOf(grid),
        pixels: shadedRelief(grid, night ? NIGHT_INKS : DAY_INKS),
        contours: contourLines(grid, step),
        contourStepM: step,
      }
      drawn.set(key, found)
    }
    return { id, ...found }
  },

  /** The ground from one place to another, as it is known. */
  profile(from: Place, to: Place, samples?: number): GroundProfile | null {
    return terrain.grids.length > 0 ? groundProfile(terrain, from, to, samples) : null
  },

  /** What is in sight from a place over the grid that holds it, as pixels to lay over the relief. */
  sight(from: Place, observerM: number, targetM: number, radiusM: number, ink: [number, number, number]) {
    const grid = terrain.grids.find((g) => {
      const b = gridBounds(g)
      return from.lat <= b.north && from.lat >= b.south && from.lon >= b.west && from.lon <= b.east
    })
    if (!grid) return null
    const { seen, inSight, known } = viewshed(grid, from, { observerM, targetM, radiusM })
    const pixels = new Uint8ClampedArray(seen.length * 4)
    let land = 0
    let landSeen = 0
    for (let i = 0; i < seen.length; i++) {
      if (grid.data[i]! > 0 && seen[i] !== 2) {
        const r = Math.floor(i / grid.width)
        const dy = (grid.north - r * grid.stepLat - from.lat) * 111_320
        const dx =
          (grid.west + (i % grid.width) * grid.stepLon - from.lon) *
          111_320 *
          Math.cos((from.lat * Math.PI) / 180)
        if (dx * dx + dy * dy <= radiusM * radiusM) {
          land++
          if (seen[i] === 1) landSeen++
        }
      }
      if (seen[i] !== 1) continue
      pixels.set([...ink, 255], 4 * i)
    }
    return {
      width: grid.width,
      height: grid.height,
      extent: extentOf(grid),
      pixels,
      inSight,
      known,
      landShare: land > 0 ? landSeen / land : 0,
    }
  },
}

export type TerrainApi = typeof api
Comlink.expose(api)
