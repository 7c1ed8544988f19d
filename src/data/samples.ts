import { and, eq, gte, inArray, isNotNull, lte, notInArray } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'
import { partIdsOf } from '@/core/kit'
import type { Db } from './connection'
import { deleteWhole } from './deleteTrial'
import { deleteGrid } from './grids'
import { nowIso } from './ids'
import { area, grid, leg, part, rig, site, trial, trialRig, type SampleSpan } from './schema'

/** Puts examples in and remembers what came with them. @param fill puts them in, at once */
export function addSamples(db: Db, fill: (db: Db) => void): void {
  db.transaction((transaction) => {
    const tx = transaction as unknown as Db
    const from = nowIso()
    const before = new Set(
      tx
        .select({ id: trial.id })
        .from(trial)
        .all()
        .map((t) => t.id),
    )
    fill(db)
    const span: SampleSpan = { from, to: nowIso() }
    for (const { id } of tx.select({ id: trial.id }).from(trial).all())
      if (!before.has(id)) tx.update(trial).set({ sample: span }).where(eq(trial.id, id)).run()
  })
}

/** Takes the examples out with all they brought, but for what a trial of one's own has taken over. */
export function removeSamples(db: Db): void {
  const grids = db.transaction((transaction) => removed(transaction as unknown as Db))
  // Their heights are files, which no transaction takes back.
  for (const id of grids) deleteGrid(db, id)
}

function removed(tx: Db): string[] {
  const samples = tx.select().from(trial).where(isNotNull(trial.sample)).all()
  const span = samples[0]?.sample
  if (!span) return []
  for (const { id } of samples) deleteWhole(tx, id)
  const brought = (createdAt: SQLiteColumn) => and(gte(createdAt, span.from), lte(createdAt, span.to))
  const keptRigs = tx.select({ id: trialRig.rigId }).from(trialRig).all()
  tx.delete(rig)
    .where(
      and(
        brought(rig.createdAt),
        notInArray(
          rig.id,
          keptRigs.map((r) => r.id),
        ),
      ),
    )
    .run()
  const keptParts = tx
    .select({ assembly: rig.assembly })
    .from(rig)
    .all()
    .flatMap((r) => (r.assembly ? partIdsOf(r.assembly) : []))
  tx.delete(part)
    .where(and(brought(part.createdAt), notInArray(part.id, keptParts)))
    .run()
  const trials = tx.select().from(trial).all()
  const legs = trials.flatMap((t) => t.legIds)
  const sites = trials.flatMap((t) => (t.siteId ? [t.siteId] : []))
  const gone = tx
    .select({ id: site.id })
    .from(site)
    .where(and(brought(site.createdAt), notInArray(site.id, sites)))
    .all()
    .map((s) => s.id)
  tx.delete(leg)
    .where(and(inArray(leg.siteId, gone), notInArray(leg.id, legs)))
    .run()
  tx.delete(site).where(inArray(site.id, gone)).run()
  tx.delete(area).where(brought(area.createdAt)).run()
  return tx
    .select({ id: grid.id })
    .from(grid)
    .where(brought(grid.createdAt))
    .all()
    .map((g) => g.id)
}
