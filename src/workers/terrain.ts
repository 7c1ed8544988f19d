import * as Comlink from 'comlink'
import { readElevation, type NamedBytes } from '@/core/exchange/readElevation'
import { good, type Outcome, type Problem } from '@/core/outcome'
import { metresPerDegree, type Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import {
  marksOnGround,
  reachOutline,
  sitePrediction,
  type MarkPrediction,
  type OutlinePoint,
  type PredictionSettings,
  type SitePrediction,
} from '@/core/reach'
import type { Mark } from '@/core/trial'
import {
  contourLines,
  coverOf,
  contourStepM,
  DAY_INKS,
  describeGrid,
  fillVoids,
  FLAT_ID,
  flatHeights,
  gridBounds,
  gridEdges,
  groundProfile,
  NIGHT_INKS,
  shadedRelief,
  terrainHeight,
  terrainOf,
  thumbnailOf,
  viewshed,
  type Cover,
  type CoverArea,
  type GridDescription,
  type GroundProfile,
  type HeightGrid,
  type HeightUnit,
  type Terrain,
} from '@/core/terrain'
import { mercatorCanvas, paintedOf, paintGround, type Painted, type Raster, type View } from './paintGround'
import { reachApi } from './reachApi'
import { ReachMaps } from './reachMaps'

/** Where a grid lies, as the server lists it. */
export type GridPlace = Omit<HeightGrid, 'data' | 'filled'> & { id: string; name: string }

/** A file that was looked at: what it holds, or why it is not taken. */
export type FoundGround =
  | { name: string; refused: Problem[] }
  | {
      name: string
      refused: null
      /** Made of heights at a few places: it counts in its own trial alone. */
      fromPlaces: boolean
      grid: HeightGrid
      /** Cells that were holes and are filled. */
      filled: number
      notes: string[]
      about: GridDescription
      picture: ImageBitmap
    }

const THUMBNAIL_PX = 280

const held = new Map<string, HeightGrid>()
let terrain: Terrain = terrainOf([])
let cover: Cover | null = null
/** Made once for each grid and light. */
const painted = new Map<string, Painted>()

function extentOf(g: HeightGrid): Raster['extent'] {
  const { west, south, east, north } = gridEdges(g)
  return [west, south, east, north]
}

const maps = new ReachMaps()
const profiled = new Map<string, GroundProfile>()

/** The ground from a place to each mark that has coordinates, kept until other ground is loaded. */
function profilesTo(from: Place, marks: readonly Mark[]): Map<string, GroundProfile> {
  const found = new Map<string, GroundProfile>()
  for (const { id, lat, lon } of marks) {
    if (lat === null || lon === null || terrain.grids.length === 0) continue
    const key = `${from.lat} ${from.lon} ${lat} ${lon}`
    const p = profiled.get(key) ?? groundProfile(terrain, from, { lat, lon }, undefined, cover)
    profiled.set(key, p)
    found.set(id, p)
  }
  return found
}

/** A grid's relief and contours, kept once made; null where it is not loaded. */
function preparedGrid(id: string, night: boolean): Painted | null {
  const grid = held.get(id)
  if (!grid) return null
  const key = `${id} ${night}`
  let found = painted.get(key)
  if (!found) {
    const step = contourStepM(grid.data.reduce((m, v) => Math.max(m, v)) * grid.scaleM)
    const { width, height } = grid
    const pixels = shadedRelief(grid, night ? NIGHT_INKS : DAY_INKS)
    found = paintedOf({ width, height, extent: extentOf(grid), pixels }, contourLines(grid, step), step)
    painted.set(key, found)
  }
  return found
}

const api = {
  /**
   * Reads files of elevation, fills their holes and describes them, so that they are looked at before they are taken.
   * The heights are handed over, not copied.
   */
  async look(files: NamedBytes[], unit: HeightUnit | null, night: boolean): Promise<Outcome<FoundGround[]>> {
    const read = await readElevation(files, unit)
    if (!read.ok) return read
    const found = read.value.map(({ name, fromPlaces, read: one }): FoundGround => {
      if (!one.ok) return { name, refused: one.problems }
      const { grid, filled } = fillVoids(one.value.grid)
      const { width, height, pixels } = thumbnailOf(grid, night ? NIGHT_INKS : DAY_INKS, THUMBNAIL_PX)
      const canvas = new OffscreenCanvas(width, height)
      canvas.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(pixels), width, height), 0, 0)
      const picture = canvas.transferToImageBitmap()
      return {
        name,
        refused: null,
        fromPlaces,
        grid,
        filled,
        notes: one.value.notes,
        about: describeGrid(grid),
        picture,
      }
    })
    const handed = found.flatMap((f) =>
      f.refused
        ? []
        : [
            f.grid.data.buffer as ArrayBuffer,
            ...(f.grid.filled ? [f.grid.filled.buffer as ArrayBuffer] : []),
            f.picture,
          ],
    )
    return Comlink.transfer(good(found), handed)
  },

  /** Loads the grids listed and what stands on them, and forgets others. @returns how many are loaded */
  async load(places: GridPlace[], areas: CoverArea[]): Promise<number> {
    cover = areas.length > 0 ? coverOf(areas) : null
    profiled.clear()
    maps.forget()
    for (const id of held.keys()) if (!places.some((p) => p.id === id)) held.delete(id)
    for (const { id, name: _name, ...meta } of places) {
      if (held.has(id)) continue
      if (id === FLAT_ID) {
        held.set(id, { ...meta, data: flatHeights(meta), filled: null })
        continue
      }
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

  /** Relief and contours of the grids named, for the part of the map that is seen. */
  paint(ids: string[], night: boolean, view: View, ink: string) {
    const found = paintGround(
      ids.flatMap((id) => preparedGrid(id, night) ?? []),
      view,
      ink,
    )
    return Comlink.transfer(found, [found.bitmap])
  },

  /** The ground from one place to another, as it is known. */
  profile(from: Place, to: Place, samples?: number): GroundProfile | null {
    return terrain.grids.length > 0 ? groundProfile(terrain, from, to, samples, cover) : null
  },

  /** What to expect at each mark from a base, and the ground under the base, m; NaN where it is not known. */
  marks(
    from: Place,
    marks: Mark[],
    links: Link[],
    settings: PredictionSettings,
  ): { baseM: number; predictions: MarkPrediction[] } {
    const profiles = profilesTo(from, marks)
    return {
      baseM: terrainHeight(terrain, from.lat, from.lon),
      predictions: marksOnGround(marks, profiles, links, settings),
    }
  },

  /** What a base here would do for the marks, for each height of its antenna. */
  site(
    place: Place,
    elsewhere: boolean,
    marks: Mark[],
    link: Link,
    heightsM: number[],
    settings: PredictionSettings,
  ): (SitePrediction | null)[] {
    const profiles = profilesTo(place, marks)
    return heightsM.map((m) => sitePrediction(marks, profiles, link, m, settings, elsewhere))
  },

  /** How far each link is expected to reach, bearing by bearing. */
  outlines(
    from: Place,
    links: Link[],
    directions: Direction[],
    settings: PredictionSettings,
    reliability: number,
  ): OutlinePoint[][] {
    return links.map((l) => reachOutline({ terrain, cover }, from, l, directions, settings, reliability))
  },

  ...reachApi(maps, () => ({ terrain, cover })),

  /** What is in sight from a place over the grid that holds it, as a picture to lay over the relief. */
  sight(from: Place, observerM: number, targetM: number, radiusM: number, ink: [number, number, number]) {
    const grid = terrain.grids.find((g) => {
      const b = gridBounds(g)
      return from.lat <= b.north && from.lat >= b.south && from.lon >= b.west && from.lon <= b.east
    })
    if (!grid) return null
    const { seen, inSight, known } = viewshed(grid, from, { observerM, targetM, radiusM })
    const degree = metresPerDegree(from.lat)
    const pixels = new Uint8ClampedArray(seen.length * 4)
    let land = 0
    let landSeen = 0
    for (let i = 0; i < seen.length; i++) {
      if (grid.data[i]! > 0 && seen[i] !== 2) {
        const r = Math.floor(i / grid.width)
        const dy = (grid.north - r * grid.stepLat - from.lat) * degree.lat
        const dx = (grid.west + (i % grid.width) * grid.stepLon - from.lon) * degree.lon
        if (dx * dx + dy * dy <= radiusM * radiusM) {
          land++
          if (seen[i] === 1) landSeen++
        }
      }
      if (seen[i] !== 1) continue
      pixels.set([...ink, 255], 4 * i)
    }
    const { width, height } = grid
    const extent = extentOf(grid)
    const bitmap = mercatorCanvas({ width, height, extent, pixels }).transferToImageBitmap()
    const share = land > 0 ? landSeen / land : 0
    return Comlink.transfer({ bitmap, extent, inSight, known, landShare: share }, [bitmap])
  },
}

export type TerrainApi = typeof api
Comlink.expose(api)
