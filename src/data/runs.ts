import { and, asc, count, desc, eq, getTableColumns, gt, max, sql } from 'drizzle-orm'
import { Kept } from '@/core/kept'
import { IdSum, type IdDigest } from '@/core/trial/idDigest'
import { foldEntries, type Entry, type RunLog, type TrialPlan } from '@/core/trial'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { DONE, type Outcome, refuse } from '@/core/outcome'
import { entry, run, trial, type Conditions } from './schema'
import { canKeep, entriesCame, whileUnchanged } from './whileUnchanged'

export type RunRow = typeof run.$inferSelect

export function listRuns(db: Db, trialId: string): RunRow[] {
  return db.select().from(run).where(eq(run.trialId, trialId)).orderBy(desc(run.startedAt)).all()
}

/** The runs of a trial without their plans, the newest first. */
export function runHeads(db: Db, trialId: string): Pick<RunRow, 'id' | 'startedAt'>[] {
  return db
    .select({ id: run.id, startedAt: run.startedAt })
    .from(run)
    .where(eq(run.trialId, trialId))
    .orderBy(desc(run.startedAt))
    .all()
}

/** When the newest run of each trial that has one began. */
export function newestRuns(db: Db): Map<string, string> {
  const rows = db
    .select({ trialId: run.trialId, at: max(run.startedAt) })
    .from(run)
    .groupBy(run.trialId)
    .all()
  return new Map(rows.map((r) => [r.trialId, r.at!]))
}

/** Whether a run is held here. */
export const hasRun = (db: Db, id: string): boolean =>
  db.select({ id: run.id }).from(run).where(eq(run.id, id)).get() !== undefined

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

/** Makes a run that another device began, where its trial is here. */
export function readRunIn(
  db: Db,
  pack: { runId: string; trialId: string; runName: string; startedAt: string; plan: TrialPlan },
): Outcome {
  if (!db.select().from(trial).where(eq(trial.id, pack.trialId)).get())
    return refuse(
      `It belongs to the trial "${pack.plan.trialName}", which is not in this database. Open the database it was made from, or bring that trial in first.`,
    )
  const conditions: Conditions = { note: 'Read in from a file', fixedBeforehand: false, imported: false }
  const { runId, trialId, runName, startedAt, plan } = pack
  db.insert(run)
    .values({ id: runId, trialId, name: runName, startedAt, conditions, plan, createdAt: nowIso() })
    .run()
  return DONE
}

/** How many entries each run has, kept as they come; null where nothing can be kept. */
const countsKept = (db: Db): Map<string, number> | null =>
  canKeep(db) ? whileUnchanged(db, 'counts of entries', () => new Map<string, number>()) : null

/** Digests of what is held of each run, kept as it grows. */
const sums = new WeakMap<Db, Map<string, IdSum>>()

/**
 * Adds entries; those already held are passed over.
 * @param sender the device that brought them, as the server knows it; null for the machine's own screen
 * @returns the ids that are new here
 */
export function appendEntries(db: Db, entries: readonly Entry[], sender: string | null = null): string[] {
  return appendPosts(db, [{ entries, sender }])[0]!
}

/** Entries that came together, and from which device. */
export interface Post {
  entries: readonly Entry[]
  sender: string | null
}

/** As {@link appendEntries}, of several posts in one transaction: the disk is waited for once. */
export function appendPosts(db: Db, posts: readonly Post[]): string[][] {
  if (posts.every((p) => p.entries.length === 0)) return posts.map(() => [])
  const fresh = posts.map((): Entry[] => [])
  const receivedAt = nowIso()
  db.transaction((tx) => {
    for (const [i, { entries, sender }] of posts.entries())
      for (const e of entries) {
        const { changes } = tx
          .insert(entry)
          .values({ ...e, kind: e.body.kind, sender, receivedAt })
          .onConflictDoNothing()
          .run()
        if (changes > 0) fresh[i]!.push(e)
      }
  })
  entriesCame(
    db,
    fresh.reduce((n, f) => n + f.length, 0),
  )
  const counts = countsKept(db)
  for (const { runId, id } of fresh.flat()) {
    sums.get(db)?.get(runId)?.add(id)
    const n = counts?.get(runId)
    if (n !== undefined) counts!.set(runId, n + 1)
  }
  return fresh.map((f) => f.map((e) => e.id))
}

/** A digest of the ids that are held of a run; a device that holds the same has the same one. */
export function heldDigest(db: Db, runId: string): IdDigest {
  const known = sums.get(db) ?? new Map<string, IdSum>()
  sums.set(db, known)
  const held = countEntries(db, runId)
  let sum = known.get(runId)
  // Another process may have written, or the file may have been put back from elsewhere.
  if (sum?.digest.count !== held) {
    sum = new IdSum()
    for (const id of idsOf(db, runId)) sum.add(id)
    known.set(runId, sum)
  }
  return sum.digest
}

/** The ids of a run's entries, in the order of their making. */
export function idsOf(db: Db, runId: string): string[] {
  return db
    .select({ id: entry.id })
    .from(entry)
    .where(eq(entry.runId, runId))
    .orderBy(asc(entry.id))
    .all()
    .map((r) => r.id)
}

/** A row without what the server alone knows of it. */
const asEntry = ({
  kind: _kind,
  sender: _sender,
  receivedAt: _receivedAt,
  ...e
}: typeof entry.$inferSelect): Entry => e

export function entriesOf(db: Db, runId: string): Entry[] {
  return db.select().from(entry).where(eq(entry.runId, runId)).orderBy(asc(entry.id)).all().map(asEntry)
}

/** Entries of a run in the order in which they came here. */
export interface ArrivedEntries {
  entries: Entry[]
  /** Ask for what came after this next. */
  upTo: number
  /** There is more that came since. */
  more: boolean
}

/**
 * Entries that came here after others, at most so many: a device fetches what is new and nothing twice.
 * @param after what the last answer was up to; 0 from the beginning
 */
export function entriesAfter(db: Db, runId: string, after: number, most: number): ArrivedEntries {
  const arrival = sql<number>`rowid`
  const rows = db
    .select({ ...getTableColumns(entry), arrival })
    .from(entry)
    .where(and(eq(entry.runId, runId), gt(arrival, after)))
    .orderBy(arrival)
    .limit(most + 1)
    .all()
  const page = rows.slice(0, most)
  return {
    entries: page.map(({ arrival: _arrival, ...row }) => asEntry(row)),
    upTo: page.at(-1)?.arrival ?? after,
    more: rows.length > most,
  }
}

export function countEntries(db: Db, runId: string): number {
  const known = countsKept(db)
  const n = known?.get(runId) ?? db.select({ n: count() }).from(entry).where(eq(entry.runId, runId)).get()!.n
  known?.set(runId, n)
  return n
}

/** Logs of so many runs are kept; one of thousands of checks is some megabytes. */
const LOGS_KEPT = 4

/** A run's log. It is kept while nothing is added to it, so nothing in it may be changed. */
export function logOf(db: Db, runId: string): RunLog {
  if (!canKeep(db)) return foldEntries(entriesOf(db, runId))
  const kept = whileUnchanged(db, 'logs', () => new Kept<RunLog>(LOGS_KEPT))
  return kept.get(`${runId} ${countEntries(db, runId)}`, () => foldEntries(entriesOf(db, runId)))
}
