import { createHash, randomBytes } from 'node:crypto'
import { and, asc, eq, isNull, lt } from 'drizzle-orm'
import { pairingWords, readPairingWords, type DeviceRole, type Post } from '@/core/crew'
import { DONE, good, refuse, type Outcome } from '@/core/outcome'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { device, deviceRun, pairing, run, trial, type GivenRun } from './schema'

/** A code is good for so long. */
export const PAIRING_MS = 10 * 60_000
/** What a device has done is written down no more often than this. */
const SEEN_EVERY_MS = 30_000

const hashed = (secret: string) => createHash('sha256').update(secret).digest('hex')

export interface KnownDevice {
  id: string
  name: string
  /** What its entries say that they are from. */
  sign: string
  role: DeviceRole
  /** UTC, ISO 8601. */
  createdAt: string
  lastSeenAt: string | null
  revokedAt: string | null
  runs: GivenRun[]
}

/** What one device is brought in as. */
export interface Invitation {
  name: string
  role: DeviceRole
  runs: GivenRun[]
}

const runsOf = (db: Db, deviceId: string): GivenRun[] =>
  db
    .select({ runId: deviceRun.runId, post: deviceRun.post, rigIds: deviceRun.rigIds })
    .from(deviceRun)
    .where(eq(deviceRun.deviceId, deviceId))
    .all()

const withRuns = (db: Db, { tokenHash: _, ...row }: typeof device.$inferSelect): KnownDevice => ({
  ...row,
  runs: runsOf(db, row.id),
})

/** Every device that was ever brought in, the first of them first. */
export const listDevices = (db: Db): KnownDevice[] =>
  db
    .select()
    .from(device)
    .orderBy(asc(device.createdAt))
    .all()
    .map((row) => withRuns(db, row))

export function getDevice(db: Db, id: string): KnownDevice | null {
  const row = db.select().from(device).where(eq(device.id, id)).get()
  return row ? withRuns(db, row) : null
}

/** The device that a token belongs to, revoked or not. */
export function deviceOfToken(db: Db, token: string): KnownDevice | null {
  const row = db
    .select()
    .from(device)
    .where(eq(device.tokenHash, hashed(token)))
    .get()
  return row ? withRuns(db, row) : null
}

/** Makes a code for one device; codes that are over go. @returns the words, which are kept as a hash only */
export function invite(
  db: Db,
  what: Invitation,
  now = Date.now(),
): { id: string; words: string; expiresAt: string } {
  db.delete(pairing)
    .where(lt(pairing.expiresAt, new Date(now - 24 * 3_600_000).toISOString()))
    .run()
  const id = newId()
  const words = pairingWords(randomBytes(6)).join(' ')
  const expiresAt = new Date(now + PAIRING_MS).toISOString()
  db.insert(pairing)
    .values({ id, codeHash: hashed(words), ...what, expiresAt })
    .run()
  return { id, words, expiresAt }
}

/** Whether a code was used, and by which device. */
export const invitationUsed = (db: Db, id: string): boolean =>
  (db.select({ usedAt: pairing.usedAt }).from(pairing).where(eq(pairing.id, id)).get()?.usedAt ?? null) !==
  null

/**
 * Brings a device in by the code it was given.
 * @returns the device and the token that it proves itself with from now on, which is told this once
 */
export function pair(
  db: Db,
  typed: string,
  now = Date.now(),
): Outcome<{ device: KnownDevice; token: string }> {
  const words = readPairingWords(typed)
  if (words === null)
    return refuse('A code is six words, as they stand on the screen of the desk. Look at them again.')
  return db.transaction((tx): Outcome<{ device: KnownDevice; token: string }> => {
    const row = tx
      .select()
      .from(pairing)
      .where(eq(pairing.codeHash, hashed(words)))
      .get()
    if (!row)
      return refuse('No device is waited for with these words. Look at them again, or ask for new ones.')
    if (row.usedAt !== null)
      return refuse('A device was brought in with these words already. Ask the desk for new ones.')
    if (Date.parse(row.expiresAt) <= now)
      return refuse('These words were good for ten minutes, which are over. Ask the desk for new ones.')
    const id = newId()
    const token = randomBytes(32).toString('base64url')
    const at = new Date(now).toISOString()
    tx.insert(device)
      .values({
        id,
        name: row.name,
        sign: `${row.name} ${id.slice(-4)}`,
        role: row.role,
        tokenHash: hashed(token),
        createdAt: at,
        lastSeenAt: at,
      })
      .run()
    const there = row.runs.filter((r) => tx.select().from(run).where(eq(run.id, r.runId)).get())
    for (const r of there)
      tx.insert(deviceRun)
        .values({ deviceId: id, ...r })
        .run()
    tx.update(pairing).set({ usedAt: at }).where(eq(pairing.id, row.id)).run()
    return good({ device: getDevice(tx as unknown as Db, id)!, token })
  })
}

/** Writes down that a device was here. */
export function sawDevice(db: Db, { id, lastSeenAt }: KnownDevice, now = Date.now()): void {
  if (lastSeenAt !== null && now - Date.parse(lastSeenAt) < SEEN_EVERY_MS) return
  db.update(device)
    .set({ lastSeenAt: new Date(now).toISOString() })
    .where(eq(device.id, id))
    .run()
}

const NO_DEVICE = 'This device is no longer in the list.'

export function renameDevice(db: Db, id: string, name: string): Outcome {
  return db.update(device).set({ name }).where(eq(device.id, id)).run().changes > 0 ? DONE : refuse(NO_DEVICE)
}

/** From now on the device is not let in; what it logged stays. */
export function revokeDevice(db: Db, id: string): Outcome {
  db.update(device)
    .set({ revokedAt: nowIso() })
    .where(and(eq(device.id, id), isNull(device.revokedAt)))
    .run()
  return getDevice(db, id) ? DONE : refuse(NO_DEVICE)
}

/** Gives a run to a device, or changes what it is to do in it. */
export function giveRun(db: Db, deviceId: string, { runId, post, rigIds }: GivenRun): Outcome {
  if (!getDevice(db, deviceId)) return refuse(NO_DEVICE)
  if (!db.select().from(run).where(eq(run.id, runId)).get()) return refuse('This run is no longer there.')
  db.insert(deviceRun)
    .values({ deviceId, runId, post, rigIds })
    .onConflictDoUpdate({ target: [deviceRun.deviceId, deviceRun.runId], set: { post, rigIds } })
    .run()
  return DONE
}

export function takeRunBack(db: Db, deviceId: string, runId: string): Outcome {
  db.delete(deviceRun)
    .where(and(eq(deviceRun.deviceId, deviceId), eq(deviceRun.runId, runId)))
    .run()
  return DONE
}

/** Runs that a device was given, as it lists them. */
export const givenRuns = (db: Db, deviceId: string) =>
  db
    .select({
      id: run.id,
      name: run.name,
      trial: trial.name,
      startedAt: run.startedAt,
      post: deviceRun.post,
      rigIds: deviceRun.rigIds,
    })
    .from(deviceRun)
    .innerJoin(run, eq(run.id, deviceRun.runId))
    .innerJoin(trial, eq(trial.id, run.trialId))
    .where(eq(deviceRun.deviceId, deviceId))
    .orderBy(asc(run.startedAt))
    .all()

/** Where in a run a device was put; null where it chooses itself. */
export const postIn = (db: Db, deviceId: string, runId: string): Post | null =>
  runsOf(db, deviceId).find((r) => r.runId === runId)?.post ?? null
