import type Database from 'better-sqlite3'

/** What of a database is counted when it is put beside another. */
export interface Counts {
  trials: number
  runs: number
  entries: number
  /** When the newest entry came, UTC; null where there is none. */
  newest: string | null
}

export function countsOf(sqlite: Database.Database): Counts {
  const n = (sql: string) => (sqlite.prepare(sql).get() as { n: number }).n
  return {
    trials: n('select count(*) as n from trial'),
    runs: n('select count(*) as n from run'),
    entries: n('select count(*) as n from entry'),
    newest: (sqlite.prepare('select max(received_at) as at from entry').get() as { at: string | null }).at,
  }
}

export const idsIn = (sqlite: Database.Database, table: 'run' | 'entry'): string[] =>
  sqlite.prepare(`select id from ${table}`).pluck().all() as string[]
