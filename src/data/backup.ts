import Database from 'better-sqlite3'
import {
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  readFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, dirname, join } from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { promisify } from 'node:util'
import { eq } from 'drizzle-orm'
import yauzl from 'yauzl'
import yazl from 'yazl'
import { good, refuse, type Outcome } from '@/core/outcome'
import type { Db } from './connection'
import { countsOf, idsIn, type Counts } from './counts'
import { closeDb, db as openDb } from './database'
import { askBackup } from './foreign/ask'
import { DAMAGED, NOT_OURS } from './foreign/lookAtBackup'
import { newId, nowIso } from './ids'
import { device, deviceRun, setting } from './schema'

/** What one file of everything holds, beside the database: files that the database names. */
const BESIDE = ['ground', 'backdrops'] as const
const DB_NAME = 'even-reach.db'
const NOTE_NAME = 'backup.json'
const FORMAT = 'even-reach-backup'
/** What is taken at most, unpacked, bytes; and how many files. */
const MAX_UNPACKED = 16e9
const MAX_FILES = 5000
const LAST = 'last backup'

export interface BackupPreview {
  /** By which it is restored; good while the server runs. */
  id: string
  madeAt: string
  there: Counts
  here: Counts
  /** Runs and entries that are here and not in the backup: they would be gone from here. */
  missing: { runs: number; entries: number }
}

/** The files beside a database, by their names in the archive. */
function filesBeside(db: Db): { name: string; path: string }[] {
  const home = dirname(db.$client.name)
  return BESIDE.flatMap((folder) => {
    const path = join(home, folder)
    if (!existsSync(path)) return []
    return readdirSync(path)
      .filter((f) => /^[0-9a-f]{64}\.[a-z.]+$/.test(f) && !f.endsWith('.part'))
      .map((f) => ({ name: `${folder}/${f}`, path: join(path, f) }))
  })
}

/**
 * Everything as one archive, made while others go on writing: SQLite copies its own pages, and begins anew with those
 * that change meanwhile.
 * @returns the archive's bytes as they come; when all of them were taken the time is kept as that of the last backup
 */
export async function writeBackup(db: Db): Promise<{ stream: Readable; madeAt: string }> {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-backup-'))
  const copy = join(folder, DB_NAME)
  await db.$client.backup(copy)
  const sqlite = new Database(copy)
  // One file: what lies in the write-ahead log of the copy goes into it.
  sqlite.pragma('journal_mode = DELETE')
  const madeAt = nowIso()
  const note = { format: FORMAT, version: 1, madeAt, counts: countsOf(sqlite) }
  sqlite.close()
  const zip = new yazl.ZipFile()
  zip.addBuffer(Buffer.from(JSON.stringify(note, null, 1)), NOTE_NAME)
  zip.addFile(copy, DB_NAME)
  for (const { name, path } of filesBeside(db)) zip.addFile(path, name, { compress: false })
  zip.end()
  const stream = zip.outputStream as Readable
  const done = () => rmSync(folder, { recursive: true, force: true })
  stream.on('end', () => {
    done()
    db.insert(setting)
      .values({ key: LAST, value: madeAt })
      .onConflictDoUpdate({ target: setting.key, set: { value: madeAt } })
      .run()
  })
  stream.on('close', done)
  stream.on('error', done)
  return { stream, madeAt }
}

/** When everything was last backed up, how many entries came since, and since when the first of them is here. */
export function lastBackup(db: Db): { at: string | null; since: number; oldest: string | null } {
  const at = db.select().from(setting).where(eq(setting.key, LAST)).get()?.value ?? null
  const { n, oldest } = db.$client
    .prepare('select count(*) as n, min(received_at) as oldest from entry where received_at > ?')
    .get(at ?? '') as { n: number; oldest: string | null }
  return { at, since: n, oldest }
}

/** When a backup was made, as it says itself; what it says is only shown. Null where it is no backup's note. */
function madeAtOf(note: string): string | null {
  try {
    const said = JSON.parse(readFileSync(note, 'utf8')) as { format?: unknown; madeAt?: unknown }
    if (said.format !== FORMAT || typeof said.madeAt !== 'string') return null
    return Number.isNaN(Date.parse(said.madeAt)) ? null : said.madeAt
  } catch {
    return null
  }
}

const allowed = (name: string) =>
  name === DB_NAME || name === NOTE_NAME || /^(ground|backdrops)\/[0-9a-f]{64}\.[a-z.]+$/.test(name)

/** Unpacks an archive: only names that a backup has, and no more than is said in advance. */
async function unpack(file: string, into: string): Promise<Outcome<string[]>> {
  const zip = await promisify<string, yauzl.Options, yauzl.ZipFile>(yauzl.open)(file, {
    lazyEntries: true,
    validateEntrySizes: true,
  })
  const names: string[] = []
  let size = 0
  return new Promise((done, fail) => {
    const stop = (message: string) => {
      zip.close()
      done(refuse(message))
    }
    zip.on('error', fail)
    zip.on('end', () => done(good(names)))
    zip.on('entry', (entry: yauzl.Entry) => {
      const name = entry.fileName
      size += entry.uncompressedSize
      if (!allowed(name)) return stop(`${NOT_OURS} It holds ${name}.`)
      if (names.length >= MAX_FILES || size > MAX_UNPACKED)
        return stop('The archive is larger than any backup.')
      names.push(name)
      zip.openReadStream(entry, (error, stream) => {
        if (error) return fail(error)
        const path = join(into, name)
        mkdirSync(dirname(path), { recursive: true })
        pipeline(stream, createWriteStream(path)).then(() => zip.readEntry(), fail)
      })
    })
    zip.readEntry()
  })
}

interface Staged {
  folder: string
  names: string[]
}
const holder = globalThis as typeof globalThis & { evenReachStaged?: Map<string, Staged> }
const staged = () => (holder.evenReachStaged ??= new Map<string, Staged>())

function lacking(here: string[], there: string[]): number {
  const held = new Set(there)
  return here.filter((id) => !held.has(id)).length
}

/**
 * Looks into a backup without touching anything: what it holds, and what is here that it does not hold.
 * @param file the archive
 */
export async function previewBackup(db: Db, file: string): Promise<Outcome<BackupPreview>> {
  for (const old of staged().values()) rmSync(old.folder, { recursive: true, force: true })
  staged().clear()
  // Beside the database, so that it can be put in its place at once.
  const folder = mkdtempSync(join(dirname(db.$client.name), 'restore-'))
  const drop = (no: Outcome<never>) => {
    rmSync(folder, { recursive: true, force: true })
    return no
  }
  let names: Outcome<string[]>
  try {
    names = await unpack(file, folder)
  } catch (e) {
    const message = e instanceof Error ? e.message : String(e)
    return drop(refuse(/central directory|not a zip/i.test(message) ? NOT_OURS : DAMAGED))
  }
  if (!names.ok) return drop(names)
  if (![DB_NAME, NOTE_NAME].every((n) => names.value.includes(n))) return drop(refuse(NOT_OURS))
  const madeAt = madeAtOf(join(folder, NOTE_NAME))
  if (madeAt === null) return drop(refuse(NOT_OURS))
  const held = await askBackup(join(folder, DB_NAME))
  if (!held.ok) return drop(held)
  const preview: BackupPreview = {
    id: newId(),
    madeAt,
    there: held.value.counts,
    here: countsOf(db.$client),
    missing: {
      runs: lacking(idsIn(db.$client, 'run'), held.value.runs),
      entries: lacking(idsIn(db.$client, 'entry'), held.value.entries),
    },
  }
  staged().set(preview.id, { folder, names: names.value })
  return good(preview)
}

/**
 * Puts a backup in the place of what is here. What is here is kept as a file beside it first. Devices stay as they are
 * here: one that was shut out since does not come back by an old backup, one that was brought in since stays in.
 * @returns where what was here is kept
 */
export async function restoreBackup(id: string): Promise<Outcome<{ keptAs: string }>> {
  const found = staged().get(id)
  if (!found) return refuse('This preview is over. Choose the backup’s file again.')
  staged().delete(id)
  const here = openDb()
  const file = here.$client.name
  const keptFolder = join(dirname(file), 'backup')
  mkdirSync(keptFolder, { recursive: true })
  const keptAs = join(keptFolder, `before-restore-${Date.now()}.db`)
  await here.$client.backup(keptAs)
  const devices = here.select().from(device).all()
  const given = here.select().from(deviceRun).all()
  // From here on nothing is waited for, so that no request comes between.
  closeDb()
  for (const end of ['-wal', '-shm']) rmSync(`${file}${end}`, { force: true })
  renameSync(join(found.folder, DB_NAME), file)
  for (const name of found.names.filter((n) => n.includes('/'))) {
    const to = join(dirname(file), name)
    mkdirSync(dirname(to), { recursive: true })
    if (!existsSync(to)) renameSync(join(found.folder, name), to)
  }
  rmSync(found.folder, { recursive: true, force: true })
  const there = openDb()
  there.transaction((tx) => {
    tx.delete(deviceRun).run()
    tx.delete(device).run()
    for (const row of devices) tx.insert(device).values(row).run()
    const runs = new Set(idsIn(there.$client, 'run'))
    for (const row of given) if (runs.has(row.runId)) tx.insert(deviceRun).values(row).run()
  })
  return good({ keptAs: join('backup', basename(keptAs)) })
}
