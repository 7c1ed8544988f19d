import type Database from 'better-sqlite3'
import { good, refuse, type Outcome } from '@/core/outcome'
import { countsOf, idsIn, type Counts } from '../counts'
import { DatabaseRefused, readDatabaseFile } from '../database'

/** What the database of a backup holds. */
export interface BackupHeld {
  counts: Counts
  runs: string[]
  entries: string[]
}

export const NOT_OURS =
  'This is no backup of Even Reach: a backup is the .zip file that Back up everything wrote.'
const NEWER = 'It was written by a newer Even Reach. Update this one first; nothing was changed.'
export const DAMAGED = 'The archive is damaged: it was cut short, or changed. Take another copy of it.'

/** Whether a database holds work of its own that would run with ours: a trigger that we did not write, a view. */
function hasOthersWork(sqlite: Database.Database): boolean {
  const own = ['entry_never_updated', 'entry_never_deleted']
  const rows = sqlite.prepare('select type, name, sql from sqlite_master').all() as {
    type: string
    name: string
    sql: string | null
  }[]
  return rows.some(
    ({ type, name, sql }) =>
      type === 'view' ||
      (type === 'trigger' && !own.includes(name)) ||
      /^\s*create\s+virtual/i.test(sql ?? ''),
  )
}

/** Looks into the database of a backup: whether it is ours, whole, and what it holds. */
export function lookAtBackup(file: string): Outcome<BackupHeld> {
  let sqlite: Database.Database | null = null
  try {
    sqlite = readDatabaseFile(file)
    sqlite.pragma('trusted_schema = off')
    if (hasOthersWork(sqlite)) return refuse(NOT_OURS)
    if (sqlite.pragma('quick_check(1)', { simple: true }) !== 'ok') return refuse(DAMAGED)
    return good({ counts: countsOf(sqlite), runs: idsIn(sqlite, 'run'), entries: idsIn(sqlite, 'entry') })
  } catch (e) {
    if (!(e instanceof DatabaseRefused)) return refuse(DAMAGED)
    return refuse(/newer/.test(e.message) ? NEWER : NOT_OURS)
  } finally {
    sqlite?.close()
  }
}
