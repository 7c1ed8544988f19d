import Database from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import {
  closeSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readSync,
  rmSync,
  statSync,
} from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import type { Db } from './connection'
import { diskTrouble } from './diskTrouble'
import { addExampleRuleSets } from './ruleSets'
import * as schema from './schema'

export type { Db } from './connection'

/** "EVRE", so that another program's database is not taken for ours. */
const APPLICATION_ID = 0x45565245
const MIGRATIONS = join('src', 'data', 'migrations')

/** The migration that brought rule sets; older files get the examples when they pass it. */
const KIT_MIGRATION = 3

/** A database file that cannot be used: what is wrong and what would be right. */
export class DatabaseRefused extends Error {}

/** The database file: EVEN_REACH_DB, else data/even-reach.db in the project. */
export function databaseFile(): string {
  return resolve(/*turbopackIgnore: true*/ process.env.EVEN_REACH_DB ?? join('data', 'even-reach.db'))
}

function knownMigrations(folder: string): number {
  const journal = JSON.parse(readFileSync(join(folder, 'meta', '_journal.json'), 'utf8')) as {
    entries: unknown[]
  }
  return journal.entries.length
}

function inspect(sqlite: Database.Database, file: string, known: number): { applied: number } {
  const tables = sqlite.prepare("select count(*) as n from sqlite_master where type = 'table'").get() as {
    n: number
  }
  if (tables.n === 0) return { applied: 0 }
  if (sqlite.pragma('application_id', { simple: true }) !== APPLICATION_ID)
    throw new DatabaseRefused(
      `${file} is a database of another program. Name an Even Reach database in EVEN_REACH_DB, or move this file away.`,
    )
  const applied = (sqlite.prepare('select count(*) as n from __drizzle_migrations').get() as { n: number }).n
  if (applied > known)
    throw new DatabaseRefused(
      `${file} was written by a newer Even Reach (version ${applied} of its tables; this one knows ${known}). ` +
        'Update Even Reach, or open a copy made before. Nothing was changed.',
    )
  return { applied }
}

/** Where SQLite writes into a file how many pages it has, and how large each is. */
const [PAGE_SIZE_AT, PAGES_AT] = [16, 28]

/** What a look at a file itself shows: a folder, an emptied file, one that was cut short. */
function lookAtFile(file: string): void {
  const stat = statSync(file)
  const { size } = stat
  const refuse = (why: string): never => {
    throw new DatabaseRefused(`${file} ${why} Nothing was changed.`)
  }
  if (stat.isDirectory()) refuse('is a folder. Name a file in EVEN_REACH_DB.')
  if (size === 0)
    refuse(
      'is empty: it was emptied, or never written. Put a backup in its place, or move it away to begin a new one.',
    )
  const head = Buffer.alloc(100)
  const handle = openSync(file, 'r')
  readSync(handle, head, 0, 100, 0)
  closeSync(handle)
  if (!head.toString('latin1', 0, 15).startsWith('SQLite format 3')) return
  const said = head.readUInt16BE(PAGE_SIZE_AT)
  const pageSize = said === 1 ? 65_536 : said
  // While a write-ahead log lies beside it, the file itself may be behind.
  if (!existsSync(`${file}-wal`) && size < pageSize * head.readUInt32BE(PAGES_AT))
    refuse(
      'was cut short: it should be larger than it is. Put a backup in its place; the last ones made by themselves lie in the folder "backup" beside it.',
    )
}

/** Copies the file into the folder for that; a copy that could not be finished is taken away again. */
function copyAside(file: string, name: string): void {
  const backups = join(dirname(file), 'backup')
  mkdirSync(backups, { recursive: true })
  const copy = join(backups, name)
  try {
    copyFileSync(file, copy)
  } catch (e) {
    rmSync(copy, { force: true })
    throw e
  }
}

/**
 * Opens the database, makes it if there is none, and brings its tables up to date after copying the file aside.
 * @throws DatabaseRefused where the file is no database, another program's, or a newer version's
 */
export function openDatabase(file: string, migrations = resolve(/*turbopackIgnore: true*/ MIGRATIONS)): Db {
  let sqlite: Database.Database | null = null
  try {
    const isNew = !existsSync(file)
    if (!isNew) lookAtFile(file)
    mkdirSync(dirname(file), { recursive: true })
    sqlite = new Database(file)
    const known = knownMigrations(migrations)
    const { applied } = inspect(sqlite, file, known)
    if (!isNew && applied < known) {
      sqlite.pragma('wal_checkpoint(TRUNCATE)')
      copyAside(file, `before-version-${known}-${Date.now()}.db`)
    }
    sqlite.pragma('journal_mode = WAL')
    sqlite.pragma('synchronous = FULL')
    sqlite.pragma('foreign_keys = ON')
    sqlite.pragma(`application_id = ${APPLICATION_ID}`)
    const db = drizzle(sqlite, { schema })
    migrate(db, { migrationsFolder: migrations })
    if (applied < KIT_MIGRATION) addExampleRuleSets(db)
    return db
  } catch (e) {
    sqlite?.close()
    if (e instanceof Database.SqliteError && e.code === 'SQLITE_NOTADB')
      throw new DatabaseRefused(
        `${file} is not a database. Name an Even Reach database in EVEN_REACH_DB, or move this file away.`,
      )
    const trouble = e instanceof DatabaseRefused ? null : diskTrouble(e)
    if (trouble) throw new DatabaseRefused(`${file}: ${trouble}`)
    throw e
  }
}

/**
 * Opens a database file of ours to read alone, without bringing it up to date.
 * @throws DatabaseRefused where it is another program's, or a newer version's
 */
export function readDatabaseFile(
  file: string,
  migrations = resolve(/*turbopackIgnore: true*/ MIGRATIONS),
): Database.Database {
  const sqlite = new Database(file, { readonly: true, fileMustExist: true })
  try {
    if (inspect(sqlite, file, knownMigrations(migrations)).applied === 0)
      throw new DatabaseRefused(`${file} holds no trials of Even Reach.`)
    return sqlite
  } catch (e) {
    sqlite.close()
    throw e
  }
}

const holder = globalThis as typeof globalThis & { evenReachDb?: Db }

/** The one open database of this server. */
export function db(): Db {
  holder.evenReachDb ??= openDatabase(databaseFile())
  return holder.evenReachDb
}

/** Closes it, so that its file can be put away; the next who asks opens what lies there then. */
export function closeDb(): void {
  holder.evenReachDb?.$client.close()
  delete holder.evenReachDb
}

/** Why the database cannot be used, in words; null where it can. */
export function databaseTrouble(): string | null {
  try {
    db().$client.prepare('select 1 from setting limit 1').get()
    return null
  } catch (e) {
    if (e instanceof DatabaseRefused) return e.message
    return diskTrouble(e)
  }
}
