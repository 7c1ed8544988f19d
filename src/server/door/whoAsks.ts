import type { Asker } from '@/core/crew'

/** Set by the door alone: what comes in under these names is taken off first. */
export const ASKER_HEADER = 'x-reach-asker'
export const DEVICE_HEADER = 'x-reach-device'
export const OUR_HEADERS = 'x-reach-'

export interface WhoAsks {
  asker: Asker
  /** The device, by its id; null for the machine's own screen. */
  deviceId: string | null
}

/** Who asks, as the door found out. Without a door (a test that calls a route itself) it is the owner. */
export const whoAsks = (headers: Headers): WhoAsks => ({
  asker: (headers.get(ASKER_HEADER) as Asker | null) ?? 'owner',
  deviceId: headers.get(DEVICE_HEADER),
})
