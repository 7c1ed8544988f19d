import {
  blob,
  index,
  integer,
  primaryKey,
  real,
  sqliteTable,
  text,
  uniqueIndex,
} from 'drizzle-orm/sqlite-core'
import type {
  Assembly,
  Attenuates,
  Direction,
  Listener,
  PartKind,
  RigKind,
  RuleSet,
  SpecByKind,
} from '@/core/kit'
import type { CopyRule, Scale } from '@/core/reports'
import type { CoverKind, Rings } from '@/core/terrain'
import type {
  EarState,
  EntryBody,
  MarkMeans,
  OrderScheme,
  QuestionKind,
  SecondQuantity,
  TrialPlan,
  WayOfWorking,
} from '@/core/trial'

const id = () => text('id').primaryKey()
/** Optimistic lock: an update names the revision it was made from. */
const revision = () => integer('revision').notNull().default(1)
const createdAt = () => text('created_at').notNull()

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

/** Rules of a region, editable. */
export const ruleSet = sqliteTable('rule_set', {
  id: id(),
  revision: revision(),
  body: text('body', { mode: 'json' }).$type<RuleSet>().notNull(),
  createdAt: createdAt(),
})

/** Which service of which rule set a trial keeps to. */
export interface ChosenService {
  ruleSetId: string
  service: string
}

/** What was ticked off the packing list, and for how long it is packed. */
export interface PackingState {
  use: 'in turn' | 'at once'
  hours: number | null
  temperatureC: number
  ticked: string[]
}

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

/** Elevations of a piece of ground; the heights themselves are a file beside the database, named by its hash. */
export const grid = sqliteTable('grid', {
  /** SHA-256 of the heights and where they lie. */
  id: id(),
  name: text('name').notNull(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  west: real('west').notNull(),
  north: real('north').notNull(),
  stepLon: real('step_lon').notNull(),
  stepLat: real('step_lat').notNull(),
  scaleM: real('scale_m').notNull(),
  /** Cells that were voids and are filled, and those that stay unknown. */
  filledCells: integer('filled_cells').notNull(),
  voidCells: integer('void_cells').notNull(),
  createdAt: createdAt(),
})

/** What an area is for: what stands on the ground there, or ground that is to be covered. */
export type AreaKind = CoverKind | 'to cover'

export const area = sqliteTable('area', {
  id: id(),
  revision: revision(),
  name: text('name').notNull().default(''),
  kind: text('kind').$type<AreaKind>().notNull(),
  /** Of what stands there, m; 0 for an area to cover. */
  heightM: real('height_m').notNull(),
  rings: text('rings', { mode: 'json' }).$type<Rings>().notNull(),
  createdAt: createdAt(),
})

/** A map of the user's own as a backdrop; its tiles are a file beside the database, named by its hash. */
export const backdrop = sqliteTable('backdrop', {
  /** SHA-256 of the file. */
  id: id(),
  name: text('name').notNull(),
  attribution: text('attribution').notNull().default(''),
  format: text('format').$type<'png' | 'jpg' | 'webp'>().notNull(),
  minZoom: integer('min_zoom').notNull(),
  maxZoom: integer('max_zoom').notNull(),
  /** West, south, east, north, degrees; null where the file does not say. */
  bounds: text('bounds', { mode: 'json' }).$type<[number, number, number, number] | null>(),
  createdAt: createdAt(),
})

/** A base, a candidate for one, a relay's place, or a far end that is not ours. */
export const site = sqliteTable('site', {
  id: id(),
  revision: revision(),
  name: text('name').notNull(),
  role: text('role').$type<'base' | 'candidate' | 'relay' | 'other station'>().notNull(),
  lat: real('lat'),
  lon: real('lon'),
  /** Radius of doubt, m: a stranger known by town or grid locator only. */
  doubtM: real('doubt_m'),
  moves: integer('moves', { mode: 'boolean' }).notNull().default(false),
  note: text('note').notNull().default(''),
  createdAt: createdAt(),
})

export const leg = sqliteTable('leg', {
  id: id(),
  revision: revision(),
  siteId: text('site_id')
    .notNull()
    .references(() => site.id),
  name: text('name').notNull(),
  how: text('how').$type<'bearing' | 'track' | 'marks'>().notNull(),
  bearingDeg: real('bearing_deg'),
  /** Places of the way, in order out from the base. */
  track: text('way', { mode: 'json' })
    .$type<{ lat: number; lon: number; elevationM?: number | null }[]>()
    .notNull(),
  createdAt: createdAt(),
})

export const mark = sqliteTable(
  'mark',
  {
    id: id(),
    legId: text('leg_id')
      .notNull()
      .references(() => leg.id, { onDelete: 'cascade' }),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    how: text('how').$type<MarkMeans>().notNull().default('coordinates'),
    lat: real('lat'),
    lon: real('lon'),
    /** Crow-flies from the base, m, with its standard deviation where it was not by coordinates. */
    distanceM: real('distance_m').notNull(),
    distanceSdM: real('distance_sd_m'),
    alongM: real('along_m'),
    bearingDeg: real('bearing_deg'),
    /** The user's own words for the kind of place: "high", "in the wood". */
    tags: text('tags', { mode: 'json' }).$type<string[]>().notNull().default([]),
  },
  (t) => [index('mark_leg').on(t.legId)],
)

/** From when to when the examples were put in, UTC. */
export interface SampleSpan {
  from: string
  to: string
}

export const trial = sqliteTable('trial', {
  id: id(),
  revision: revision(),
  name: text('name').notNull(),
  question: text('question').notNull().default(''),
  /** The kind of question it was begun with, and how it is worked. */
  kind: text('kind').$type<QuestionKind>().notNull().default('open'),
  way: text('way').$type<WayOfWorking>().notNull().default('marks'),
  /** UTC; null while it lies among the others. */
  archivedAt: text('archived_at'),
  /** One of the examples that were looked at: when they were put in, so that they can go again with all they brought. */
  sample: text('sample', { mode: 'json' }).$type<SampleSpan | null>(),
  /** The trial whose question it asks from another place; null for one of its own. */
  placeOf: text('place_of'),
  siteId: text('site_id').references(() => site.id),
  legIds: text('leg_ids', { mode: 'json' }).$type<string[]>().notNull().default([]),
  directions: text('directions', { mode: 'json' }).$type<Direction[]>().notNull(),
  /** By listener; an other station is a listener of its own. */
  scales: text('scales', { mode: 'json' }).$type<Record<Listener, Scale>>().notNull(),
  copyRule: text('copy_rule', { mode: 'json' }).$type<CopyRule>().notNull(),
  /** A second figure of each check, with its own scales and copy rule; null where one is enough. */
  also: text('also', { mode: 'json' }).$type<SecondQuantity | null>(),
  repeats: integer('repeats').notNull().default(1),
  orderScheme: text('order_scheme').$type<OrderScheme>().notNull().default('balanced'),
  orderSeed: integer('order_seed').notNull(),
  earStates: text('ear_states', { mode: 'json' }).$type<EarState[]>().notNull().default([]),
  sameAs: text('same_as', { mode: 'json' }).$type<string[]>().notNull().default([]),
  marginDb: real('margin_db').notNull().default(3),
  reliability: real('reliability').notNull().default(0.9),
  surroundings: text('surroundings').$type<'clear' | 'cluttered' | 'mixed'>().notNull().default('mixed'),
  needFloorM: real('need_floor_m'),
  needCeilingM: real('need_ceiling_m'),
  controlLinkId: text('control_link_id'),
  service: text('service', { mode: 'json' }).$type<ChosenService | null>(),
  packing: text('packing', { mode: 'json' }).$type<PackingState | null>(),
  /** Cautions marked as read, by a key that changes with what they depend on. */
  cautionsRead: text('cautions_read', { mode: 'json' }).$type<string[]>().notNull().default([]),
  createdAt: createdAt(),
})

/** The rigs of a trial, each with its letter there. */
export const trialRig = sqliteTable(
  'trial_rig',
  {
    trialId: text('trial_id')
      .notNull()
      .references(() => trial.id, { onDelete: 'cascade' }),
    rigId: text('rig_id')
      .notNull()
      .references(() => rig.id, { onDelete: 'cascade' }),
    letter: text('letter').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.trialId, t.rigId] }),
    uniqueIndex('trial_rig_letter').on(t.trialId, t.letter),
  ],
)

/** The rig at the base and the rig out there that a check joins. */
export const link = sqliteTable(
  'link',
  {
    id: id(),
    trialId: text('trial_id')
      .notNull()
      .references(() => trial.id, { onDelete: 'cascade' }),
    position: integer('position').notNull(),
    baseRigId: text('base_rig_id')
      .notNull()
      .references(() => rig.id),
    outRigId: text('out_rig_id')
      .notNull()
      .references(() => rig.id),
    /** A far end that is not ours, in place of a rig's place. */
    otherSiteId: text('other_site_id').references(() => site.id),
  },
  (t) => [uniqueIndex('link_once').on(t.trialId, t.baseRigId, t.outRigId)],
)

export interface Conditions {
  note: string
  /** The number of marks was fixed before setting out. */
  fixedBeforehand: boolean
  /** Brought in from files: what was planned is not known. */
  imported: boolean
}

export const run = sqliteTable(
  'run',
  {
    id: id(),
    trialId: text('trial_id')
      .notNull()
      .references(() => trial.id),
    name: text('name').notNull(),
    /** UTC, ISO 8601. */
    startedAt: text('started_at').notNull(),
    conditions: text('conditions', { mode: 'json' }).$type<Conditions>().notNull(),
    /** The plan and the rigs as they were when the run began. */
    plan: text('plan', { mode: 'json' }).$type<TrialPlan>().notNull(),
    createdAt: createdAt(),
  },
  (t) => [index('run_trial').on(t.trialId)],
)

/** Append-only. Triggers refuse updates and deletes. */
export const entry = sqliteTable(
  'entry',
  {
    id: id(),
    runId: text('run_id')
      .notNull()
      .references(() => run.id),
    device: text('device').notNull(),
    role: text('role').notNull(),
    wallTime: text('wall_time').notNull(),
    seq: integer('seq').notNull(),
    kind: text('kind').notNull(),
    supersedes: text('supersedes'),
    body: text('body', { mode: 'json' }).$type<EntryBody>().notNull(),
    receivedAt: text('received_at').notNull(),
  },
  (t) => [index('entry_run').on(t.runId)],
)

/** A photo, a sound clip or a long recording of a run: its bytes, named by an entry of the log. */
export const media = sqliteTable(
  'media',
  {
    id: id(),
    runId: text('run_id')
      .notNull()
      .references(() => run.id),
    type: text('type').notNull(),
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
    createdAt: createdAt(),
  },
  (t) => [index('media_run').on(t.runId)],
)

/** What holds for everything that is kept here, by name: the units that screens speak in. */
export const setting = sqliteTable('setting', {
  key: text('key').primaryKey(),
  value: text('value').notNull(),
})

/** What was brought in from files, so that the same file again changes nothing. */
export const importedFile = sqliteTable('imported_file', {
  /** SHA-256 of what the file says, not of its bytes. */
  hash: text('hash').primaryKey(),
  name: text('name').notNull(),
  trialId: text('trial_id')
    .notNull()
    .references(() => trial.id),
  runId: text('run_id').references(() => run.id),
  createdAt: createdAt(),
})
