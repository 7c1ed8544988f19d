import { eq } from 'drizzle-orm'
import { MAX_MEDIA_BYTES, mediaTypeOf } from '@/core/trial'
import type { Db } from './connection'
import { nowIso } from './ids'
import { type Outcome, good, refuse } from '@/core/outcome'
import { media, run } from './schema'

export type MediaRow = typeof media.$inferSelect

/** Keeps the bytes of a photo or a sound. The same id again changes nothing. */
export function storeMedia(db: Db, runId: string, id: string, type: string, bytes: Buffer): Outcome<string> {
  if (!db.select({ id: run.id }).from(run).where(eq(run.id, runId)).get())
    return refuse('This run is no longer on the server.')
  const kept = mediaTypeOf(type)
  if (kept === null) return refuse(`"${type}" is neither a picture nor a sound.`)
  if (bytes.length === 0) return refuse('It is empty.')
  if (bytes.length > MAX_MEDIA_BYTES)
    return refuse(
      `It has ${Math.round(bytes.length / 1e6)} MB; at most ${MAX_MEDIA_BYTES / 1e6} MB are kept. Save it as m4a or ogg, or cut it in two.`,
    )
  db.insert(media).values({ id, runId, type: kept, bytes, createdAt: nowIso() }).onConflictDoNothing().run()
  return good(id)
}

export function getMedia(db: Db, runId: string, id: string): MediaRow | null {
  const row = db.select().from(media).where(eq(media.id, id)).get()
  return row && row.runId === runId ? row : null
}

export function listMediaIds(db: Db, runId: string): string[] {
  return db
    .select({ id: media.id })
    .from(media)
    .where(eq(media.runId, runId))
    .all()
    .map((m) => m.id)
}
