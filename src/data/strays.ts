import { count, eq, max } from 'drizzle-orm'
import type { Entry } from '@/core/trial'
import type { Db } from './connection'
import { nowIso } from './ids'
import { appendEntries } from './runs'
import { strayEntry } from './schema'

/** Entries that are here of a run that is gone. */
export interface Strays {
  runId: string
  entries: number
  /** When the newest came, UTC. */
  newest: string
}

/** Keeps what a device brings of a run that is gone here; the same again changes nothing. */
export function keepStrays(db: Db, runId: string, entries: readonly Entry[], sender: string | null): void {
  const receivedAt = nowIso()
  db.transaction((tx) => {
    for (const e of entries)
      tx.insert(strayEntry)
        .values({ id: e.id, runId, sender, entry: e, receivedAt })
        .onConflictDoNothing()
        .run()
  })
}

export const listStrays = (db: Db): Strays[] =>
  db
    .select({ runId: strayEntry.runId, entries: count(), newest: max(strayEntry.receivedAt) })
    .from(strayEntry)
    .groupBy(strayEntry.runId)
    .all()
    .map((s) => ({ ...s, newest: s.newest ?? '' }))

export const straysOf = (db: Db, runId: string): Entry[] =>
  db
    .select({ entry: strayEntry.entry })
    .from(strayEntry)
    .where(eq(strayEntry.runId, runId))
    .all()
    .map((r) => r.entry)

/** Puts them into their run, which came back. @returns how many are new in it */
export function takeStrays(db: Db, runId: string): number {
  const fresh = appendEntries(db, straysOf(db, runId)).length
  db.delete(strayEntry).where(eq(strayEntry.runId, runId)).run()
  return fresh
}
