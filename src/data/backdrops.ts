import Database from 'better-sqlite3'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { asc, eq } from 'drizzle-orm'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { DONE, type Outcome, good, refuse } from '@/core/outcome'
import { backdrop } from './schema'

export type BackdropRow = typeof backdrop.$inferSelect

const folderOf = (db: Db) => join(dirname(db.$client.name), 'backdrops')
const fileOf = (db: Db, id: string) => join(folderOf(db), `${id}.mbtiles`)

export function listBackdrops(db: Db): BackdropRow[] {
  return db.select().from(backdrop).orderBy(asc(backdrop.createdAt)).all()
}

const FORMATS = { png: 'png', jpg: 'jpg', jpeg: 'jpg', webp: 'webp' } as const

function boundsOf(text: string | undefined): BackdropRow['bounds'] {
  const b = (text ?? '').split(',').map(Number)
  const fits = b.length === 4 && b.every(Number.isFinite) && b[0]! < b[2]! && b[1]! < b[3]!
  return fits ? (b as [number, number, number, number]) : null
}

/** A database that somebody else made: nothing in it is run. */
function openForeign(file: string): Database.Database {
  const foreign = new Database(file, { readonly: true, fileMustExist: true })
  foreign.pragma('trusted_schema = off')
  return foreign
}

/** What an MBTiles file says of itself, or why it is not taken. */
function inspectTiles(file: string): Outcome<Omit<BackdropRow, 'id' | 'name' | 'createdAt'>> {
  let tiles: Database.Database | null = null
  try {
    tiles = openForeign(file)
    const kinds = new Map(
      (
        tiles.prepare('select name, type, sql from sqlite_master').all() as {
          name: string
          type: string
          sql: string | null
        }[]
      ).map(({ name, type, sql }) => [
        name,
        /^\s*create\s+virtual/i.test(sql ?? '') ? 'virtual table' : type,
      ]),
    )
    for (const name of ['metadata', 'tiles']) {
      const kind = kinds.get(name)
      if (kind === undefined)
        return refuse('It is a database, but has no tables "metadata" and "tiles"; it is no MBTiles file.')
      // What a view does is the file's own work, and need never end.
      if (kind !== 'table')
        return refuse(
          `Its "${name}" is a ${kind} and no table. Export the map anew with its tiles in a plain table.`,
        )
    }
    const said = new Map(
      (tiles.prepare('select name, value from metadata').all() as { name: string; value: string }[]).map(
        (r) => [r.name, r.value],
      ),
    )
    const zooms = tiles
      .prepare('select min(zoom_level) as low, max(zoom_level) as high from tiles')
      .get() as {
      low: number | null
      high: number | null
    }
    if (zooms.low === null || zooms.high === null) return refuse('It holds no tiles.')
    if (zooms.low < 0 || zooms.high > 24)
      return refuse(`Its zoom levels run from ${zooms.low} to ${zooms.high}; 0 to 24 are known.`)
    const format = said.get('format') ?? 'png'
    if (!(format in FORMATS))
      return refuse(
        `Its tiles are "${format}". A backdrop is made of pictures: png, jpg or webp. Export it as raster tiles.`,
      )
    return good({
      format: FORMATS[format as keyof typeof FORMATS],
      attribution: said.get('attribution')?.replace(/<[^>]*>/g, '') ?? '',
      minZoom: zooms.low,
      maxZoom: zooms.high,
      bounds: boundsOf(said.get('bounds')),
    })
  } catch {
    return refuse('It cannot be read as an MBTiles file; it is cut short or something else. Copy it again.')
  } finally {
    tiles?.close()
  }
}

/** Keeps an MBTiles file of raster tiles. The same file again changes nothing. */
export function storeBackdrop(db: Db, name: string, bytes: Uint8Array): Outcome<string> {
  const id = createHash('sha256').update(bytes).digest('hex')
  if (db.select().from(backdrop).where(eq(backdrop.id, id)).get()) return good(id)
  mkdirSync(folderOf(db), { recursive: true })
  const aside = join(folderOf(db), `${newId()}.part`)
  writeFileSync(aside, bytes)
  const found = inspectTiles(aside)
  if (!found.ok) {
    rmSync(aside, { force: true })
    return found
  }
  renameSync(aside, fileOf(db, id))
  db.insert(backdrop)
    .values({ id, name, ...found.value, createdAt: nowIso() })
    .run()
  return good(id)
}

export function deleteBackdrop(db: Db, id: string): Outcome {
  if (db.delete(backdrop).where(eq(backdrop.id, id)).run().changes !== 1)
    return refuse('This backdrop is no longer there.')
  opened.get(id)?.close()
  opened.delete(id)
  rmSync(fileOf(db, id), { force: true })
  return DONE
}

const opened = new Map<string, Database.Database>()

/** One tile; rows are counted from the north. Null where there is none. */
export function backdropTile(
  db: Db,
  id: string,
  z: number,
  x: number,
  y: number,
): { format: BackdropRow['format']; bytes: Buffer } | null {
  const row = db.select().from(backdrop).where(eq(backdrop.id, id)).get()
  if (!row || !existsSync(fileOf(db, id))) return null
  let tiles = opened.get(id)
  if (!tiles) {
    tiles = openForeign(fileOf(db, id))
    opened.set(id, tiles)
  }
  // MBTiles counts rows from the south.
  const south = 2 ** z - 1 - y
  const bytes = tiles
    .prepare('select tile_data from tiles where zoom_level = ? and tile_column = ? and tile_row = ?')
    .pluck()
    .get(z, x, south) as Buffer | undefined
  return bytes ? { format: row.format, bytes } : null
}
