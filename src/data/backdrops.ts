import Database from 'better-sqlite3'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { asc, eq } from 'drizzle-orm'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { DONE, type Outcome, good, refuse } from '@/core/outcome'
import { askTiles } from './foreign/ask'
import { forgetGround } from './forgetGround'
import { backdrop } from './schema'

export type BackdropRow = typeof backdrop.$inferSelect

const folderOf = (db: Db) => join(dirname(db.$client.name), 'backdrops')
const fileOf = (db: Db, id: string) => join(folderOf(db), `${id}.mbtiles`)

export function listBackdrops(db: Db): BackdropRow[] {
  return db.select().from(backdrop).orderBy(asc(backdrop.createdAt)).all()
}

/**
 * Keeps the pictures of an MBTiles file, copied into a database of our own. The same file again changes nothing.
 * @param bytes the foreign file
 */
export async function storeBackdrop(db: Db, name: string, bytes: Uint8Array): Promise<Outcome<string>> {
  const id = createHash('sha256').update(bytes).digest('hex')
  const held = () => db.select().from(backdrop).where(eq(backdrop.id, id)).get() !== undefined
  if (held()) return good(id)
  mkdirSync(folderOf(db), { recursive: true })
  const mark = newId()
  const aside = join(folderOf(db), `${mark}.part`)
  const own = join(folderOf(db), `${mark}.own.part`)
  try {
    writeFileSync(aside, bytes)
    const said = await askTiles(aside, own)
    if (!said.ok) return said
    if (held()) return good(id)
    renameSync(own, fileOf(db, id))
    db.insert(backdrop)
      .values({ id, name, ...said.value, createdAt: nowIso() })
      .run()
    return good(id)
  } finally {
    for (const left of [aside, own]) rmSync(left, { force: true })
  }
}

export function deleteBackdrop(db: Db, id: string): Outcome {
  if (db.delete(backdrop).where(eq(backdrop.id, id)).run().changes !== 1)
    return refuse('This backdrop is no longer there.')
  forgetGround(db, 'backdrop', id)
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
    tiles = new Database(fileOf(db, id), { readonly: true, fileMustExist: true })
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
