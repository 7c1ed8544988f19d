import { v7 } from 'uuid'
import { deviceDb, type StoredClip } from '../log/deviceStore'
import { ServerRefused } from '../log/entryQueue'

/** Begins a clip; its parts follow as they come. */
export async function beginClip(runId: string, type: string): Promise<string> {
  const id = v7()
  await deviceDb().clips.add({ id, runId, type, madeAt: new Date().toISOString(), whole: 0, sent: 0 })
  return id
}

export async function addClipPart(clipId: string, n: number, bytes: ArrayBuffer): Promise<void> {
  await deviceDb().clipParts.put({ clipId, n, bytes })
}

export async function endClip(clipId: string): Promise<void> {
  await deviceDb().clips.update(clipId, { whole: 1 })
}

/** Keeps a picture or a sound that is whole already. */
export async function keepClip(runId: string, blob: Blob): Promise<string> {
  const bytes = await blob.arrayBuffer()
  const id = await beginClip(runId, blob.type || 'image/jpeg')
  await addClipPart(id, 0, bytes)
  await endClip(id)
  return id
}

/** A clip's bytes; null where this device does not hold it. */
export async function clipBlob(clipId: string): Promise<Blob | null> {
  const d = deviceDb()
  const clip = await d.clips.get(clipId)
  if (!clip) return null
  const parts = await d.clipParts.where('clipId').equals(clipId).sortBy('n')
  return new Blob(
    parts.map((p) => p.bytes),
    { type: clip.type },
  )
}

const ofRun = (runId: string) => deviceDb().clips.where('runId').equals(runId)

/** Clips that the server does not hold yet, those still being recorded left out. */
export function waitingClips(runId: string): Promise<StoredClip[]> {
  return ofRun(runId)
    .filter((c) => c.sent === 0 && c.whole === 1)
    .toArray()
}

export function allClips(runId: string): Promise<StoredClip[]> {
  return ofRun(runId)
    .filter((c) => c.whole === 1)
    .toArray()
}

/** What a crash left half recorded: whole up to there. @returns each with its length, a part a second */
export async function closeStrayClips(runId: string): Promise<(StoredClip & { seconds: number })[]> {
  const stray = await ofRun(runId)
    .filter((c) => c.whole === 0)
    .toArray()
  const found: (StoredClip & { seconds: number })[] = []
  for (const clip of stray) {
    const seconds = await deviceDb().clipParts.where('clipId').equals(clip.id).count()
    await endClip(clip.id)
    found.push({ ...clip, seconds })
  }
  return found
}

/**
 * Sends what waits, one after another; what the server holds is marked so and stays on the device. One that
 * it will not take holds up none of the others.
 * @param put sends one; throws ServerRefused where it will never be taken, anything else where it did not arrive
 * @returns why the last refused one was refused; null where none was
 */
export async function sendClips(
  runId: string,
  put: (clip: StoredClip, blob: Blob) => Promise<void>,
): Promise<string | null> {
  let refused: string | null = null
  for (const clip of await waitingClips(runId)) {
    try {
      await put(clip, (await clipBlob(clip.id))!)
      await deviceDb().clips.update(clip.id, { sent: 1 })
    } catch (e) {
      if (!(e instanceof ServerRefused)) throw e
      refused = e.message
    }
  }
  return refused
}
