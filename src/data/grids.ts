import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { asc, eq } from 'drizzle-orm'
import { VOID, type HeightGrid } from '@/core/terrain'
import type { Db } from './connection'
import { nowIso } from './ids'
import { DONE, type Outcome, refuse } from '@/core/outcome'
import { grid } from './schema'
import { forgetGround } from './forgetGround'

export type GridRow = typeof grid.$inferSelect

/** Where a grid lies and how it is made, without its heights. */
export type GridMeta = Omit<HeightGrid, 'data' | 'filled'>

/** Heights are files beside the database, named by their hash. */
const folderOf = (db: Db) => join(dirname(db.$client.name), 'ground')
const fileOf = (db: Db, id: string) => join(folderOf(db), `${id}.heights.gz`)

export function listGrids(db: Db): GridRow[] {
  return db.select().from(grid).orderBy(asc(grid.createdAt), asc(grid.id)).all()
}

/** Heights, then which of them were filled: what a file and a request hold. */
export function packGrid(g: HeightGrid): Buffer {
  const heights = Buffer.from(g.data.buffer, g.data.byteOffset, g.data.byteLength)
  return g.filled ? Buffer.concat([heights, Buffer.from(g.filled)]) : heights
}

/** A grid from what {@link packGrid} made; null where the sizes do not fit. */
export function unpackGrid(meta: GridMeta, bytes: Uint8Array): HeightGrid | null {
  const cells = meta.width * meta.height
  if (bytes.byteLength !== cells * 2 && bytes.byteLength !== cells * 3) return null
  const own = bytes.slice()
  const data = new Int16Array(own.buffer, 0, cells)
  return { ...meta, data, filled: own.byteLength > cells * 2 ? own.subarray(cells * 2) : null }
}

/**
 * Keeps a grid. The same heights in the same place again change nothing.
 * @param ofTrial the trial whose few places it is made of; null where it is ground for all
 * @returns its id
 */
export function storeGrid(db: Db, name: string, g: HeightGrid, ofTrial: string | null = null): string {
  const packed = packGrid(g)
  const { width, height, west, north, stepLon, stepLat, scaleM } = g
  const where = JSON.stringify([width, height, west, north, stepLon, stepLat, scaleM])
  const id = createHash('sha256').update(where).update(packed).digest('hex')
  if (db.select().from(grid).where(eq(grid.id, id)).get()) return id
  mkdirSync(folderOf(db), { recursive: true })
  // Written aside and renamed, so that a file is whole or is not there.
  const aside = `${fileOf(db, id)}.part`
  writeFileSync(aside, gzipSync(packed))
  renameSync(aside, fileOf(db, id))
  const voidCells = g.data.reduce((n, v) => (v === VOID ? n + 1 : n), 0)
  const filledCells = g.filled?.reduce((n, v) => n + v, 0) ?? 0
  db.insert(grid)
    .values({
      id,
      name,
      width,
      height,
      west,
      north,
      stepLon,
      stepLat,
      scaleM,
      filledCells,
      voidCells,
      ofTrial,
      createdAt: nowIso(),
    })
    .run()
  return id
}

/** The heights of a grid as {@link packGrid} made them; null where there is none. */
export function gridFile(db: Db, id: string): Buffer | null {
  if (!db.select().from(grid).where(eq(grid.id, id)).get() || !existsSync(fileOf(db, id))) return null
  return gunzipSync(readFileSync(fileOf(db, id)))
}

export function deleteGrid(db: Db, id: string): Outcome {
  if (!db.select().from(grid).where(eq(grid.id, id)).get()) return refuse('This ground is no longer there.')
  db.delete(grid).where(eq(grid.id, id)).run()
  forgetGround(db, 'grid', id)
  rmSync(fileOf(db, id), { force: true })
  return DONE
}

const MAX_HELD = 6
const held = new Map<string, HeightGrid>()

/** A grid with its heights, the latest few kept in memory; null where its file is gone. */
export function heightsOf(db: Db, row: GridRow): HeightGrid | null {
  const known = held.get(row.id)
  if (known) return known
  const file = gridFile(db, row.id)
  const g = file && unpackGrid(row, file)
  if (!g) return null
  held.set(row.id, g)
  if (held.size > MAX_HELD) held.delete(held.keys().next().value!)
  return g
}
