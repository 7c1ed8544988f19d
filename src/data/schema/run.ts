import { blob, index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Entry, EntryBody, TrialPlan } from '@/core/trial'
import { id, createdAt } from './columns'
import { trial } from './trial'

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
    /** Who made it, as it says itself. */
    device: text('device').notNull(),
    /** The device that brought it here, as the server knows it; null for the machine's own screen. */
    sender: text('sender'),
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

/** An entry that a device brought of a run that is gone here: kept for the owner, and put in where the run comes back. */
export const strayEntry = sqliteTable(
  'stray_entry',
  {
    id: id(),
    runId: text('run_id').notNull(),
    sender: text('sender'),
    entry: text('entry', { mode: 'json' }).$type<Entry>().notNull(),
    receivedAt: text('received_at').notNull(),
  },
  (t) => [index('stray_entry_run').on(t.runId)],
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
