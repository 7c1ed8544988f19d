import { primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { DeviceRole, Post } from '@/core/crew'
import { id, createdAt } from './columns'

/** A run as it is given to a device. */
export interface GivenRun {
  runId: string
  post: Post | null
  rigIds: string[]
}

/** A device that was brought in; what it proves itself with is kept as a hash only. */
export const device = sqliteTable('device', {
  id: id(),
  name: text('name').notNull(),
  /** What its entries say that they are from: its first name and a few signs of its id. It stays when it is renamed. */
  sign: text('sign').notNull(),
  role: text('role').$type<DeviceRole>().notNull(),
  tokenHash: text('token_hash').notNull().unique(),
  createdAt: createdAt(),
  /** UTC; null while it has not been here since it was brought in. */
  lastSeenAt: text('last_seen_at'),
  /** UTC; from then on it is not let in any more. */
  revokedAt: text('revoked_at'),
})

/** A run that a device was given, and where in it its bearer stands. */
export const deviceRun = sqliteTable(
  'device_run',
  {
    deviceId: text('device_id')
      .notNull()
      .references(() => device.id, { onDelete: 'cascade' }),
    /** Stays when the run is gone: what the device still brings of it is kept. */
    runId: text('run_id').notNull(),
    post: text('post').$type<Post | null>(),
    /** The rigs that are carried with it; empty where nobody said. */
    rigIds: text('rig_ids', { mode: 'json' }).$type<string[]>().notNull().default([]),
  },
  (t) => [primaryKey({ columns: [t.deviceId, t.runId] })],
)

/** A code by which one device can be brought in, once and for a short time. */
export const pairing = sqliteTable('pairing', {
  id: id(),
  codeHash: text('code_hash').notNull().unique(),
  name: text('name').notNull(),
  role: text('role').$type<DeviceRole>().notNull(),
  /** Runs that it is given at once. */
  runs: text('runs', { mode: 'json' }).$type<GivenRun[]>().notNull().default([]),
  expiresAt: text('expires_at').notNull(),
  usedAt: text('used_at'),
})
