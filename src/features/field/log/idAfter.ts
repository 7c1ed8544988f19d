import { v7 } from 'uuid'

/** Milliseconds in a UUIDv7's first 48 bits. */
export const madeAtMs = (id: string): number => parseInt(id.replace('-', '').slice(0, 12), 16)

/**
 * A UUIDv7 for an entry that comes after all that are known, also where the clock stands behind theirs.
 * @param newest of the ids that are known; empty where there are none
 * @param now ms since the epoch, by the clock of whoever makes it
 */
export function idAfter(newest: string, now: number): string {
  return v7({ msecs: newest === '' ? now : Math.max(now, madeAtMs(newest) + 1) })
}
