import { eq, getTableColumns, inArray, type SQL } from 'drizzle-orm'
import type { SQLiteTable } from 'drizzle-orm/sqlite-core'
import type { Db } from '../connection'
import * as s from '../schema'

/** The tables of a bundle, each after those that its rows name. */
export const BUNDLE_TABLES = {
  part: s.part,
  unit: s.unit,
  attachment: s.attachment,
  measurement: s.measurement,
  rig: s.rig,
  ruleSet: s.ruleSet,
  site: s.site,
  leg: s.leg,
  mark: s.mark,
  area: s.area,
  trial: s.trial,
  trialRig: s.trialRig,
  link: s.link,
  run: s.run,
  entry: s.entry,
  media: s.media,
} satisfies Record<string, SQLiteTable>
export type BundleTable = keyof typeof BUNDLE_TABLES
export const TABLE_NAMES = Object.keys(BUNDLE_TABLES) as BundleTable[]

/** Bytes of these lie in files of their own, named by the row's id. */
export const WITH_BYTES: Partial<Record<BundleTable, string>> = { attachment: 'papers', media: 'media' }

export type Row = Record<string, unknown>
export type Rows = Record<BundleTable, Row[]>

const all = (db: Db, name: BundleTable, where?: SQL): Row[] =>
  db.select(getTableColumns(BUNDLE_TABLES[name])).from(BUNDLE_TABLES[name]).where(where).all()

/** Every row of a bundle: of one trial all that it needs, of all everything. */
export function bundleRows(db: Db, trialId: string | null): Rows {
  if (trialId === null) return Object.fromEntries(TABLE_NAMES.map((name) => [name, all(db, name)])) as Rows
  const trials = all(db, 'trial', eq(s.trial.id, trialId))
  const ids = (rows: Row[], key = 'id') => [
    ...new Set(rows.flatMap((r) => (r[key] == null ? [] : [r[key] as string]))),
  ]
  const links = all(db, 'link', eq(s.link.trialId, trialId))
  const trialRigs = all(db, 'trialRig', eq(s.trialRig.trialId, trialId))
  const rigs = all(
    db,
    'rig',
    inArray(s.rig.id, [...ids(trialRigs, 'rigId'), ...ids(links, 'baseRigId'), ...ids(links, 'outRigId')]),
  )
  // A rig's parts are named within its assembly.
  const named = JSON.stringify(rigs.map((r) => r.assembly))
  const parts = all(db, 'part').filter((p) => named.includes(`"${String(p.id)}"`))
  const legIds = trials.flatMap((t) => t.legIds as string[])
  const legs = all(db, 'leg', inArray(s.leg.id, legIds))
  const siteIds = [...ids(trials, 'siteId'), ...ids(legs, 'siteId'), ...ids(links, 'otherSiteId')]
  const runs = all(db, 'run', eq(s.run.trialId, trialId))
  const service = trials[0]?.service as { ruleSetId?: string } | null | undefined
  return {
    part: parts,
    unit: all(db, 'unit', inArray(s.unit.partId, ids(parts))),
    attachment: all(db, 'attachment', inArray(s.attachment.partId, ids(parts))),
    measurement: all(db, 'measurement', inArray(s.measurement.partId, ids(parts))),
    rig: rigs,
    ruleSet: all(db, 'ruleSet', inArray(s.ruleSet.id, service?.ruleSetId ? [service.ruleSetId] : [])),
    site: all(db, 'site', inArray(s.site.id, siteIds)),
    leg: legs,
    mark: all(db, 'mark', inArray(s.mark.legId, legIds)),
    area: [],
    trial: trials,
    trialRig: trialRigs,
    link: links,
    run: runs,
    entry: all(db, 'entry', inArray(s.entry.runId, ids(runs))),
    media: all(db, 'media', inArray(s.media.runId, ids(runs))),
  }
}
