import Database from 'better-sqlite3'
import {
  chmodSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { closeDb, databaseTrouble, db, DatabaseRefused, openDatabase } from './database'
import { diskTrouble } from './diskTrouble'
import { addTrial, listTrials } from './trials'

let folder: string
let file: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'disk-'))
  file = join(folder, 'a.db')
})
afterEach(() => {
  closeDb()
  vi.unstubAllEnvs()
  chmodSync(folder, 0o700)
  rmSync(folder, { recursive: true, force: true })
})

/** A database with something in it, all of it in its one file. */
function written() {
  const made = openDatabase(file)
  for (let i = 0; i < 50; i++) addTrial(made, `Trial ${i}`, 'x'.repeat(300), i)
  made.$client.pragma('wal_checkpoint(TRUNCATE)')
  made.$client.close()
}
const opened = () => {
  try {
    openDatabase(file).$client.close()
    return 'opened'
  } catch (e) {
    expect(e).toBeInstanceOf(DatabaseRefused)
    return (e as Error).message
  }
}

describe('a database that cannot be opened says why, and nothing is made over', () => {
  it('a folder in its place', () => {
    mkdirSync(file)
    expect(opened()).toMatch(/is a folder. Name a file/)
  })
  it('an emptied file, which is not taken for a new database', () => {
    writeFileSync(file, '')
    expect(opened()).toMatch(/is empty: it was emptied/)
    expect(readFileSync(file)).toHaveLength(0)
  })
  it('a file that was cut short', () => {
    written()
    const { length } = readFileSync(file)
    truncateSync(file, length - 8192)
    expect(opened()).toMatch(/was cut short/)
    expect(readFileSync(file)).toHaveLength(length - 8192)
  })
  it('a file that is damaged within', () => {
    written()
    const bytes = readFileSync(file)
    bytes.fill(0xa5, 100, 8192)
    writeFileSync(file, bytes)
    expect(opened()).toMatch(/damaged/)
    expect(readdirSync(folder).filter((f) => f.endsWith('.part'))).toEqual([])
  })
  it('a file under a file', () => {
    writeFileSync(file, 'x')
    file = join(file, 'b.db')
    expect(opened()).toMatch(/cannot be opened|folder is gone/)
  })
})

describe('a disk that fails while the server runs', () => {
  it('is told in words, and all is well again once it is', () => {
    vi.stubEnv('EVEN_REACH_DB', file)
    addTrial(db(), 'Wet hill', '', 1)
    expect(databaseTrouble()).toBeNull()
    // As full as a disk can be: no page more.
    const { $client } = db()
    $client.pragma('wal_checkpoint(TRUNCATE)')
    const pages = $client.pragma('page_count', { simple: true }) as number
    $client.pragma(`max_page_count = ${pages}`)
    let said: string | null = null
    try {
      for (let i = 0; i < 500; i++) addTrial(db(), `Trial ${i}`, 'x'.repeat(300), i)
    } catch (e) {
      said = diskTrouble(e)
    }
    expect(said).toMatch(/disk of the desk’s machine is full/)
    expect(listTrials(db())[0]).toBeDefined()
    $client.pragma('max_page_count = 1000000')
    addTrial(db(), 'After room was made', '', 1)
    expect(listTrials(db()).map((t) => t.name)).toContain('After room was made')
  })
  it.each([
    ['SQLITE_READONLY', /read-only/],
    ['SQLITE_IOERR_WRITE', /disk failed/],
    ['SQLITE_CORRUPT', /damaged/],
    ['SQLITE_BUSY', /Another program/],
  ])('%s', (code, words) => expect(diskTrouble(new Database.SqliteError('x', code))).toMatch(words))
  it('what is no fault of the disk is not called one', () => {
    expect(diskTrouble(new Error('x'))).toBeNull()
    expect(diskTrouble(new Database.SqliteError('x', 'SQLITE_CONSTRAINT'))).toBeNull()
    expect(diskTrouble(null)).toBeNull()
  })
})
