import { createHash } from 'node:crypto'
import { asc, eq, inArray, sql } from 'drizzle-orm'
import { DONE, refuse, type Outcome } from '@/core/outcome'
import type { Db } from './connection'
import { logOf } from './runs'
import { entry, importedFile, media, run, trial } from './schema'

/** What goes when a trial is deleted. Rigs, places, legs and grounds belong to the kit and stay. */
export interface TrialContents {
  name: string
  runs: number
  checks: number
  entries: number
  media: number
  /** Of the ids of all entries: a file that was written with the same one holds every one of them. */
  digest: string
}

const runIdsOf = (db: Db, trialId: string) =>
  db
    .select({ id: run.id })
    .from(run)
    .where(eq(run.trialId, trialId))
    .all()
    .map((r) => r.id)

export function trialContents(db: Db, trialId: string): TrialContents | null {
  const row = db.select({ name: trial.name }).from(trial).where(eq(trial.id, trialId)).get()
  if (!row) return null
  const runs = runIdsOf(db, trialId)
  const ids = db
    .select({ id: entry.id })
    .from(entry)
    .where(inArray(entry.runId, runs))
    .orderBy(asc(entry.id))
    .all()
  const kept = db.select({ id: media.id }).from(media).where(inArray(media.runId, runs)).all()
  return {
    name: row.name,
    runs: runs.length,
    checks: runs.reduce((n, id) => n + logOf(db, id).checks.length, 0),
    entries: ids.length,
    media: kept.length,
    digest: createHash('sha256')
      .update(ids.map((e) => e.id).join())
      .digest('hex'),
  }
}

/** The one place where entries go: the trigger that keeps them is put back as it stood, in the same transaction. */
function deleteEntries(tx: Db, runs: readonly string[]): void {
  const guard = tx.get<{ sql: string }>(
    sql`SELECT sql FROM sqlite_master WHERE type = 'trigger' AND name = 'entry_never_deleted'`,
  )
  tx.run(sql`DROP TRIGGER entry_never_deleted`)
  tx.delete(entry)
    .where(inArray(entry.runId, [...runs]))
    .run()
  tx.run(sql.raw(guard.sql))
}

/**
 * Deletes a trial with its runs and their logs. Where checks were logged, they must have been written to a file
 * first, and all of them: a check that came in since then keeps the trial.
 * @param written the digest of the file that holds them; null for none
 */
export function deleteTrial(db: Db, trialId: string, written: string | null = null): Outcome {
  return db.transaction((transaction) => {
    const tx = transaction as unknown as Db
    const contents = trialContents(tx, trialId)
    if (!contents) return refuse('This trial is no longer there.')
    if (contents.checks > 0 && written === null)
      return refuse(
        `Its runs hold ${contents.checks === 1 ? '1 check' : `${contents.checks} checks`}. Write them to a file first.`,
      )
    if (contents.checks > 0 && written !== contents.digest)
      return refuse('Something was logged since the file was written. Write it again, then delete the trial.')
    deleteWhole(tx, trialId)
    return DONE
  })
}

/** A trial with its runs and their logs goes, whatever they hold. */
export function deleteWhole(tx: Db, trialId: string): void {
  const runs = runIdsOf(tx, trialId)
  tx.delete(importedFile).where(eq(importedFile.trialId, trialId)).run()
  if (runs.length > 0) {
    tx.delete(media).where(inArray(media.runId, runs)).run()
    deleteEntries(tx, runs)
    tx.delete(run).where(inArray(run.id, runs)).run()
  }
  tx.delete(trial).where(eq(trial.id, trialId)).run()
}
