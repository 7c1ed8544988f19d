import { revalidatePath } from 'next/cache'
import { messageOf } from '@/core/outcome'
import { readRunFile } from '@/core/trial/readLog'
import { appendEntries, db, getRun, readRunIn, storeMedia, takeStrays } from '@/data'
import { jsonOf, refused, refusedFor } from '@/server/json'

/** A run with its photos and sounds, bytes. */
const MAX_RUN_FILE_BYTES = 128e6

/** Reads a run in that a device wrote to a file: all that can be taken, and which entries cannot. */
export async function POST(request: Request) {
  const raw = await jsonOf(request, MAX_RUN_FILE_BYTES)
  if (!raw.ok) return refusedFor(raw)
  const file = readRunFile(raw.value)
  if (!file.ok) return refused(messageOf(file))
  const { pack, entries, media, refused: bad } = file.value
  if (!getRun(db(), pack.runId)) {
    const made = readRunIn(db(), pack)
    if (!made.ok) return refused(messageOf(made))
  }
  // What devices brought of it while it was gone belongs to it again.
  const fresh = takeStrays(db(), pack.runId) + appendEntries(db(), entries).length
  for (const { id, type, base64 } of media) {
    const kept = storeMedia(db(), pack.runId, id, type, Buffer.from(base64, 'base64'))
    if (!kept.ok) return refused(`A photo or a sound: ${messageOf(kept)} The log itself was read in.`)
  }
  revalidatePath('/', 'layout')
  return Response.json({ fresh, known: Math.max(0, entries.length - fresh), refused: bad })
}
