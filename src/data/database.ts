import Database from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import { copyFileSync, existsSync, mkdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import type { Db } from './connection'
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

/**
 * Opens the database, makes it if there is none, and brings its tables up to date after copying the file aside.
 * @throws DatabaseRefused where the file is no database, another program's, or a newer version's
 */
export function openDatabase(file: string, migrations = resolve(/*turbopackIgnore: true*/ MIGRATIONS)): Db {
  const isNew = !existsSync(file) || statSync(file).size === 0
  mkdirSync(dirname(file), { recursive: true })
  let sqlite: Database.Database | null = null
  try {
    sqlite = new Database(file)
    const known = knownMigrations(migrations)
    const { applied } = inspect(sqlite, file, known)
    if (!isNew && applied < known) {
      sqlite.pragma('wal_checkpoint(TRUNCATE)')
      const backups = join(dirname(file), 'backup')
      mkdirSync(backups, { recursive: true })
      copyFileSync(file, join(backups, `before-version-${known}-${Date.now()}.db`))
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
    throw e
  }
}

const holder = globalThis as typeof globalThis & { evenReachDb?: Db }

/** The one open database of this server. */
export function db(): Db {
  holder.evenReachDb ??= openDatabase(databaseFile())
  return holder.evenReachDb
}
