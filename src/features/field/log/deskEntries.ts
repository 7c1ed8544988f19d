import { v7 } from 'uuid'
import type { Entry, EntryBody } from '@/core/trial'
import { deviceName } from './useRunLog'
import { wire } from './wire'

const BATCH = 200

/** Entries made at a desk with the server at hand; they go there at once. */
export function deskEntries(
  runId: string,
  role: string,
  bodies: readonly { body: EntryBody; supersedes?: string }[],
): Entry[] {
  const device = deviceName()
  return bodies.map(({ body, supersedes = null }, seq) => ({
    id: v7(),
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
