import { blob, index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { BodyByKind, MeasurementKind, MeasurementSource } from '@/core/bench'
import type { Assembly, Attenuates, PartKind, RigKind, RuleSet, SpecByKind } from '@/core/kit'
import { id, revision, createdAt } from './columns'

/** A kind of part; several may be owned. */
export const part = sqliteTable('part', {
  id: id(),
  revision: revision(),
  kind: text('kind').$type<PartKind>().notNull(),
  name: text('name').notNull(),
  spec: text('spec', { mode: 'json' }).$type<SpecByKind[PartKind]>().notNull(),
  owned: integer('owned').notNull().default(1),
  weightG: real('weight_g'),
  wornMm: real('worn_mm'),
  price: real('price'),
  note: text('note').notNull().default(''),
  createdAt: createdAt(),
})

/** Something written down about a unit. */
export interface UnitNote {
  day: string
  kind: 'defect on arrival' | 'repair' | 'note'
  text: string
}

/** One individual radio or antenna of a kind, so that a faulty one can be told from a poor kind. */
export const unit = sqliteTable(
  'unit',
  {
    id: id(),
    revision: revision(),
    partId: text('part_id').references(() => part.id),
    kind: text('kind').notNull(),
    label: text('label').notNull(),
    condition: text('condition').notNull().default(''),
    detail: text('detail', { mode: 'json' }).$type<{ notes?: UnitNote[] }>().notNull().default({}),
    createdAt: createdAt(),
  },
  (t) => [index('unit_part').on(t.partId)],
)

/** A photo or a paper kept with a part. */
export const attachment = sqliteTable(
  'attachment',
  {
    id: id(),
    partId: text('part_id')
      .notNull()
      .references(() => part.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    type: text('type').notNull(),
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
    createdAt: createdAt(),
  },
  (t) => [index('attachment_part').on(t.partId)],
)

/** Something measured at the bench: of a part, or of none yet. */
export const measurement = sqliteTable(
  'measurement',
  {
    id: id(),
    revision: revision(),
    kind: text('kind').$type<MeasurementKind>().notNull(),
    name: text('name').notNull(),
    partId: text('part_id').references(() => part.id, { onDelete: 'set null' }),
    takenAt: text('taken_at').notNull(),
    source: text('source').$type<MeasurementSource>().notNull(),
    instrument: text('instrument').notNull().default(''),
    conditions: text('conditions').notNull().default(''),
    body: text('body', { mode: 'json' }).$type<BodyByKind[MeasurementKind]>().notNull(),
    createdAt: createdAt(),
  },
  (t) => [index('measurement_part').on(t.partId), index('measurement_kind').on(t.kind)],
)

/** Rules of a region, editable. */
export const ruleSet = sqliteTable('rule_set', {
  id: id(),
  revision: revision(),
  body: text('body', { mode: 'json' }).$type<RuleSet>().notNull(),
  createdAt: createdAt(),
})

export const rig = sqliteTable('rig', {
  id: id(),
  revision: revision(),
  /** The letter it was first given. A trial has its own for it. */
  letter: text('letter').notNull(),
  name: text('name').notNull(),
  kind: text('kind').$type<RigKind>().notNull(),
  txMHz: real('tx_mhz').notNull(),
  rxMHz: real('rx_mhz'),
  bandwidthKHz: real('bandwidth_khz'),
  mode: text('mode').notNull().default('FM'),
  powerW: real('power_w').notNull(),
  antennaHeightM: real('antenna_height_m').notNull(),
  antennaGainDbi: real('antenna_gain_dbi'),
  leadLossDb: real('lead_loss_db'),
  attenuatorDb: real('attenuator_db').notNull().default(0),
  attenuatorAt: text('attenuator_at').$type<Attenuates>().notNull().default('both ways'),
  /** What its antenna is called where it is known by its figures alone; empty where nobody said. */
  antenna: text('antenna').notNull().default(''),
  /** Of the receiver at its connector, typed; one built of parts has that of its radio. */
  sensitivityDbm: real('sensitivity_dbm'),
  /** Null where only its figures are known. */
  assembly: text('assembly', { mode: 'json' }).$type<Assembly | null>(),
  variantOf: text('variant_of'),
  note: text('note').notNull().default(''),
  createdAt: createdAt(),
})
