import { and, count, desc, eq, inArray, isNull, max, sql } from 'drizzle-orm'
import type { BoardLine } from '@/core/crew'
import { foldEntries } from '@/core/trial'
import type { Db } from './connection'
import { listDevices } from './devices'
import { entry, run, site, trial } from './schema'

/** Each device that logs, with the runs it was given and what of it is here; of one trial, or of all. */
export function boardLines(db: Db, trialId: string | null): Omit<BoardLine, 'said'>[] {
  const devices = listDevices(db).filter((d) => d.revokedAt === null && d.role !== 'observer')
  const runs = new Map(
    db
      .select({ id: run.id, name: run.name, trialId: run.trialId })
      .from(run)
      .where(trialId === null ? undefined : eq(run.trialId, trialId))
      .all()
      .map((r) => [r.id, r]),
  )
  const signs = devices.map((d) => d.sign)
  const made = db
    .select({
      device: entry.device,
      runId: entry.runId,
      entries: count(),
      checks: sql<number>`sum(${entry.kind} = 'check')`,
      lastEntryAt: max(entry.wallTime),
    })
    .from(entry)
    .where(and(inArray(entry.device, signs), inArray(entry.runId, [...runs.keys()])))
    .groupBy(entry.device, entry.runId)
    .all()
  return devices
    .map(({ id, name, sign, lastSeenAt, runs: given }) => ({
      deviceId: id,
      name,
      lastSeenAt,
      runs: given.flatMap(({ runId, post, rigIds }) => {
        const of = runs.get(runId)
        if (!of) return []
        const done = made.find((m) => m.device === sign && m.runId === runId)
        const { entries = 0, checks = 0, lastEntryAt = null } = done ?? {}
        return [{ runId, name: of.name, trialId: of.trialId, post, rigIds, entries, checks, lastEntryAt }]
      }),
    }))
    .filter((d) => trialId === null || d.runs.length > 0)
}

/** How many of the newest runs are looked through for those that go on. */
const NEWEST_RUNS = 200

/** Runs that go on, the newest first: those that devices can be given. */
export function givableRuns(db: Db): { id: string; name: string; trial: string }[] {
  const rows = db
    .select({ id: run.id, name: run.name, trial: trial.name })
    .from(run)
    .innerJoin(trial, eq(trial.id, run.trialId))
    .where(isNull(trial.archivedAt))
    .orderBy(desc(run.startedAt))
    .limit(NEWEST_RUNS)
    .all()
  // What ends a run, and what takes that back, is all that its state hangs on.
  const ends = db
    .select()
    .from(entry)
    .where(
      and(
        inArray(entry.kind, ['run', 'void']),
        inArray(
          entry.runId,
          rows.map((r) => r.id),
        ),
      ),
    )
    .all()
  return rows.filter(({ id }) => foldEntries(ends.filter((e) => e.runId === id)).state === 'going')
}

/** Where the base of a run's trial stands; null where it has no coordinates. */
export function baseOfRun(db: Db, runId: string): { lat: number; lon: number } | null {
  const at = db
    .select({ lat: site.lat, lon: site.lon })
    .from(run)
    .innerJoin(trial, eq(trial.id, run.trialId))
    .innerJoin(site, eq(site.id, trial.siteId))
    .where(eq(run.id, runId))
    .get()
  return at && at.lat !== null && at.lon !== null ? { lat: at.lat, lon: at.lon } : null
}
