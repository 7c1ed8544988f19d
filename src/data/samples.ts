import { and, gte, inArray, isNotNull, lte, notInArray } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'
import { partIdsOf } from '@/core/kit'
import type { Db } from './connection'
import { deleteWhole } from './deleteTrial'
import { deleteGrid } from './grids'
import { nowIso } from './ids'
import { area, grid, leg, measurement, part, rig, site, trial, trialRig, type SampleSpan } from './schema'

/** Whether a row came with the examples: they are put in at once, and nothing else comes meanwhile. */
const within = (createdAt: SQLiteColumn, { from, to }: SampleSpan) =>
  and(gte(createdAt, from), lte(createdAt, to))

/** Puts examples in and remembers what came with them. @param fill puts them in, at once */
export function addSamples(db: Db, fill: (db: Db) => void): void {
  db.transaction((tx) => {
    const from = nowIso()
    fill(db)
    const sample: SampleSpan = { from, to: nowIso() }
    tx.update(trial).set({ sample }).where(within(trial.createdAt, sample)).run()
  })
}

/** Takes the examples out with all they brought, but for what a trial of one's own has taken over. */
export function removeSamples(db: Db): void {
  const grids = db.transaction((transaction) => removed(transaction as unknown as Db))
  // Their heights are files, which no transaction takes back.
  for (const id of grids) deleteGrid(db, id)
}

/** @returns the grids that are to go too */
function removed(tx: Db): string[] {
  const samples = tx.select().from(trial).where(isNotNull(trial.sample)).all()
  const span = samples[0]?.sample
  if (!span) return []
  for (const { id } of samples) deleteWhole(tx, id)
  const brought = (createdAt: SQLiteColumn) => within(createdAt, span)
  const keptRigs = tx.select({ id: trialRig.rigId }).from(trialRig)
  tx.delete(rig)
    .where(and(brought(rig.createdAt), notInArray(rig.id, keptRigs)))
    .run()
  tx.delete(measurement).where(brought(measurement.createdAt)).run()
  const assemblies = tx.select({ assembly: rig.assembly }).from(rig).all()
  const keptParts = assemblies.flatMap((r) => (r.assembly ? partIdsOf(r.assembly) : []))
  tx.delete(part)
    .where(and(brought(part.createdAt), notInArray(part.id, keptParts)))
    .run()
  const trials = tx.select().from(trial).all()
  const keptSites = trials.flatMap((t) => t.siteId ?? [])
  const gone = tx
    .select({ id: site.id })
    .from(site)
    .where(and(brought(site.createdAt), notInArray(site.id, keptSites)))
  const keptLegs = trials.flatMap((t) => t.legIds)
  tx.delete(leg)
    .where(and(inArray(leg.siteId, gone), notInArray(leg.id, keptLegs)))
    .run()
  tx.delete(site).where(inArray(site.id, gone)).run()
  tx.delete(area).where(brought(area.createdAt)).run()
  const grids = tx.select({ id: grid.id }).from(grid).where(brought(grid.createdAt)).all()
  return grids.map((g) => g.id)
}
