import type { Post } from './roles'
import type { DeviceStatus } from './statusRecord'

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
