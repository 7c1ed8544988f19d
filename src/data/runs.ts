import { asc, desc, eq } from 'drizzle-orm'
import { foldEntries, type Entry, type RunLog, type TrialPlan } from '@/core/trial'
import type { Db } from './database'
import { newId, nowIso } from './ids'
import { entry, run, type Conditions } from './schema'

export type RunRow = typeof run.$inferSelect

export function listRuns(db: Db, trialId: string): RunRow[] {
  return db.select().from(run).where(eq(run.trialId, trialId)).orderBy(desc(run.startedAt)).all()
}

export function getRun(db: Db, id: string): RunRow | null {
  return db.select().from(run).where(eq(run.id, id)).get() ?? null
}

export function startRun(
  db: Db,
  trialId: string,
  name: string,
  plan: TrialPlan,
  conditions: Conditions,
  startedAt: string = nowIso(),
): string {
  const id = newId()
  db.insert(run).values({ id, trialId, name, startedAt, conditions, plan, createdAt: nowIso() }).run()
  return id
}

/** Adds entries; those already held are passed over. @returns ids now held */
export function appendEntries(db: Db, entries: readonly Entry[]): string[] {
  if (entries.length === 0) return []
  const receivedAt = nowIso()
  db.transaction((tx) => {
    for (const e of entries)
      tx.insert(entry)
        .values({ ...e, kind: e.body.kind, receivedAt })
        .onConflictDoNothing()
        .run()
  })
  return entries.map((e) => e.id)
}

export function entriesOf(db: Db, runId: string): Entry[] {
  return db
    .select()
    .from(entry)
    .where(eq(entry.runId, runId))
    .orderBy(asc(entry.id))
    .all()
    .map(({ kind: _kind, receivedAt: _receivedAt, ...e }) => e)
}

export function logOf(db: Db, runId: string): RunLog {
  return foldEntries(entriesOf(db, runId))
}
