import Database from 'better-sqlite3'
import { type Outcome, good, refuse } from '@/core/outcome'

const FORMATS = { png: 'png', jpg: 'jpg', jpeg: 'jpg', webp: 'webp' } as const

/** What an MBTiles file says of itself. */
export interface TilesSaid {
  format: 'png' | 'jpg' | 'webp'
  attribution: string
  minZoom: number
  maxZoom: number
  /** West, south, east, north, degrees; null where it says none that are any. */
  bounds: [number, number, number, number] | null
}

function boundsOf(text: string | undefined): TilesSaid['bounds'] {
  const b = (text ?? '').split(',').map(Number)
  const fits = b.length === 4 && b.every(Number.isFinite) && b[0]! < b[2]! && b[1]! < b[3]!
  return fits ? (b as [number, number, number, number]) : null
}

/** Why a file without its two plain tables is not taken; null where it has them. */
function tablesMissing(tiles: Database.Database): string | null {
  const rows = tiles.prepare('select name, type, sql from sqlite_master').all() as {
    name: string
    type: string
    sql: string | null
  }[]
  const kinds = new Map(
    rows.map((r) => [r.name, /^\s*create\s+virtual/i.test(r.sql ?? '') ? 'virtual table' : r.type]),
  )
  for (const name of ['metadata', 'tiles']) {
    const kind = kinds.get(name)
    if (kind === undefined)
      return 'It is a database, but has no tables "metadata" and "tiles"; it is no MBTiles file.'
    // What a view does is the file's own work, and need never end.
    if (kind !== 'table')
      return `Its "${name}" is a ${kind} and no table. Export the map anew with its tiles in a plain table.`
  }
  return null
}

function read(tiles: Database.Database): Outcome<TilesSaid> {
  const missing = tablesMissing(tiles)
  if (missing) return refuse(missing)
  const rows = tiles.prepare('select name, value from metadata').all() as { name: string; value: unknown }[]
  const said = new Map(rows.map((r) => [r.name, String(r.value)]))
  const { low, high } = tiles
    .prepare('select min(zoom_level) as low, max(zoom_level) as high from tiles')
    .get() as { low: number | null; high: number | null }
  if (low === null || high === null) return refuse('It holds no tiles.')
  if (!(low >= 0 && high <= 24))
    return refuse(`Its zoom levels run from ${low} to ${high}; 0 to 24 are known.`)
  const format = said.get('format') ?? 'png'
  if (!Object.hasOwn(FORMATS, format))
    return refuse(
      `Its tiles are "${format}". A backdrop is made of pictures: png, jpg or webp. Export it as raster tiles.`,
    )
  return good({
    format: FORMATS[format as keyof typeof FORMATS],
    attribution: said.get('attribution')?.replace(/<[^>]*>/g, '') ?? '',
    minZoom: low,
    maxZoom: high,
    bounds: boundsOf(said.get('bounds')),
  })
}

/**
 * Copies the pictures of an MBTiles file into a database of our own making, so that the foreign one is opened once.
 * @param from the foreign file; nothing in it is run
 * @param to a file that is not there yet
 * @returns what it says of itself, or why it is not taken
 */
export function copyTiles(from: string, to: string): Outcome<TilesSaid> {
  let tiles: Database.Database | null = null
  let own: Database.Database | null = null
  try {
    tiles = new Database(from, { readonly: true, fileMustExist: true })
    tiles.pragma('trusted_schema = off')
    const said = read(tiles)
    if (!said.ok) return said
    own = new Database(to)
    own.pragma('journal_mode = off')
    own.exec(
      `create table tiles (zoom_level integer not null, tile_column integer not null, tile_row integer not null,
       tile_data blob not null, primary key (zoom_level, tile_column, tile_row)) strict, without rowid`,
    )
    const put = own.prepare('insert or replace into tiles values (?, ?, ?, ?)')
    const every = tiles.prepare('select zoom_level, tile_column, tile_row, tile_data from tiles').raw()
    own.transaction(() => {
      for (const row of every.iterate() as Iterable<[unknown, unknown, unknown, unknown]>)
        if (row.slice(0, 3).every(Number.isInteger) && row[3] instanceof Buffer) put.run(...row)
    })()
    return said
  } catch {
    return refuse('It cannot be read as an MBTiles file; it is cut short or something else. Copy it again.')
  } finally {
    tiles?.close()
    own?.close()
  }
}
