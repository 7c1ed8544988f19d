import type { InferType } from 'yup'
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
