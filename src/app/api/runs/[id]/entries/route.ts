import { revalidatePath } from 'next/cache'
import { ValidationError } from 'yup'
import { appendEntries, db, entriesOf, getRun } from '@/data'
import { readEntries } from '@/features/field/entrySchema'

interface Context {
  params: Promise<{ id: string }>
}

export async function GET(_request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return Response.json({ message: 'There is no such run.' }, { status: 404 })
  return Response.json({ entries: entriesOf(db(), id) })
}

/** Takes entries of a run; those already held are passed over. Answers with the ids it holds. */
export async function POST(request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return Response.json({ message: 'There is no such run.' }, { status: 404 })
  let raw: unknown
  try {
    raw = await request.json()
  } catch {
    return Response.json({ message: 'The body is not JSON.' }, { status: 400 })
  }
  try {
    const entries = readEntries(raw)
    const strange = entries.find((e) => e.runId !== id)
    if (strange)
      return Response.json({ message: `Entry ${strange.id} belongs to another run.` }, { status: 400 })
    const held = appendEntries(db(), entries)
    revalidatePath('/', 'layout')
    return Response.json({ held })
  } catch (e) {
    if (e instanceof ValidationError)
      return Response.json({ message: `${e.path}: ${e.message}` }, { status: 400 })
    throw e
  }
}
