import { revalidatePath } from 'next/cache'
import { ValidationError } from 'yup'
import { appendEntries, db, entriesOf, getRun, readRunIn, storeMedia } from '@/data'
import { readRunFile } from '@/features/field/entrySchema'

const refuse = (message: string) => Response.json({ message }, { status: 400 })

/** Reads a run in that a device wrote to a file: all of it, or nothing. */
export async function POST(request: Request) {
  let raw: unknown
  try {
    raw = await request.json()
  } catch {
    return refuse('It is not JSON; it was cut short or is another file.')
  }
  try {
    const { pack, entries, media } = readRunFile(raw)
    const strange = entries.find((e) => e.runId !== pack.runId)
    if (strange) return refuse(`Entry ${strange.id} belongs to another run.`)
    if (!getRun(db(), pack.runId)) {
      const made = readRunIn(db(), pack)
      if (!made.ok) return refuse(made.message)
    }
    const before = new Set(entriesOf(db(), pack.runId).map((e) => e.id))
    appendEntries(db(), entries)
    for (const { id, type, base64 } of media) {
      const kept = storeMedia(db(), pack.runId, id, type, Buffer.from(base64, 'base64'))
      if (!kept.ok) return refuse(`A photo or a sound: ${kept.message} The log itself was read in.`)
    }
    revalidatePath('/', 'layout')
    const fresh = entries.filter((e) => !before.has(e.id)).length
    return Response.json({ fresh, known: entries.length - fresh })
  } catch (e) {
    if (e instanceof ValidationError) return refuse(`${e.path ?? 'file'}: ${e.message}`)
    throw e
  }
}
