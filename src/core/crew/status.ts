import type { InferType } from 'yup'
import type { Post } from './roles'
import { figure, moment, record } from '@/core/schema'

/** How a device is, as it says itself with what it sends. */
export const statusRecord = record({
  /** Its own clock when it sent. */
  sentAt: moment().required(),
  /** Entries that are on it alone. */
  waiting: figure().integer().min(0).max(1_000_000).required(),
  /** Of its battery, 0 to 1; absent where it does not say. */
  battery: figure().min(0).max(1).optional(),
  /** Where it is, degrees and m; absent where it was not asked to say. */
  position: record({
    lat: figure().min(-90).max(90).required(),
    lon: figure().min(-180).max(180).required(),
    accuracyM: figure().min(0).max(1e6).nullable().defined(),
  })
    .optional()
    .default(undefined),
})
export type DeviceStatus = InferType<typeof statusRecord>

/** A clock that is so much off is said, ms. */
export const CLOCK_OFF_MS = 10_000

/** A device as the desk sees it. */
export interface BoardLine {
  deviceId: string
  name: string
  /** When it was last here, UTC; null where it never was. */
  lastSeenAt: string | null
  runs: {
    runId: string
    name: string
    trialId: string
    post: Post | null
    rigIds: string[]
    /** Entries of this device in the run that the desk holds, and the newest of them by the device's clock. */
    entries: number
    checks: number
    lastEntryAt: string | null
  }[]
  /** What it said last since the server was started; null where it did not. */
  said:
    | (Omit<DeviceStatus, 'sentAt' | 'position'> & {
        at: string
        runId: string
        clockOffMs: number
        /** Crow-flies from the base of its run, m; null where it does not say where it is, or there is no base. */
        fromBaseM: number | null
      })
    | null
}
