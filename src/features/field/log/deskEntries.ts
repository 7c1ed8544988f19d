import type { Entry, EntryBody } from '@/core/trial'
import { idAfter } from './idAfter'
import { deviceName } from './useRunLog'
import { wire } from './wire'

const BATCH = 200

/**
 * Entries made at a desk with the server at hand; they go there at once.
 * @param newest of the log's ids, so that what corrects comes after what it corrects
 */
export function deskEntries(
  runId: string,
  role: string,
  newest: string,
  bodies: readonly { body: EntryBody; supersedes?: string }[],
): Entry[] {
  const device = deviceName()
  let last = newest
  return bodies.map(({ body, supersedes = null }, seq) => ({
    id: (last = idAfter(last, Date.now())),
    runId,
    device,
    role,
    wallTime: new Date().toISOString(),
    seq,
    supersedes,
    body,
  }))
}

/** Sends them in batches. @throws where the server cannot be reached or refuses; what it took before that stays */
export async function sendDeskEntries(entries: readonly Entry[]): Promise<void> {
  for (let i = 0; i < entries.length; i += BATCH)
    await wire.send(entries[i]!.runId, entries.slice(i, i + BATCH))
}
