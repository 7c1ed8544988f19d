import { integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core'
import type { Direction, Listener } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach/predict'
import type { CopyRule, Scale } from '@/core/reports'
import type { EarState, OrderScheme, QuestionKind, SecondQuantity, WayOfWorking } from '@/core/trial'
import { id, revision, createdAt } from './columns'
import { rig } from './kit'
import { site } from './ground'

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
  /**
   * One of the examples that were looked at: when they were put in, so that they can go again with all they brought.
   */
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
  /** The ground counts as flat, so that what stands on it counts where no heights are to be had. */
  flatGround: integer('flat_ground', { mode: 'boolean' }).notNull().default(false),
  /** What its predictions take for granted; null for the usual. */
  prediction: text('prediction', { mode: 'json' }).$type<PredictionSettings | null>(),
  /** Cautions marked as read, by a key that changes with what they depend on. */
  cautionsRead: text('cautions_read', { mode: 'json' }).$type<string[]>().notNull().default([]),
  createdAt: createdAt(),
})

/** Ground that a trial takes or leaves against what goes by itself: what lies where it is counts, the rest does not. */
export const trialGround = sqliteTable(
  'trial_ground',
  {
    trialId: text('trial_id')
      .notNull()
      .references(() => trial.id, { onDelete: 'cascade' }),
    kind: text('kind').$type<'grid' | 'area' | 'backdrop'>().notNull(),
    /** Of the grid, the area or the backdrop. */
    ofId: text('of_id').notNull(),
    used: integer('used', { mode: 'boolean' }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.trialId, t.kind, t.ofId] })],
)

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

/** What holds for everything that is kept here, by name: the units that screens speak in. */
export const setting = sqliteTable('setting', {
  key: text('key').primaryKey(),
  value: text('value').notNull(),
})
