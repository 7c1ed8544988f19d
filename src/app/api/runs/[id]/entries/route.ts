import { revalidatePath } from 'next/cache'
import { ValidationError } from 'yup'
import { appendEntries, countEntries, db, entriesOf, getRun } from '@/data'
import { readEntries } from '@/features/field/entrySchema'
import { LOG_PROTOCOL } from '@/features/field/runPack'

interface Context {
  params: Promise<{ id: string }>
}

const gone = () =>
  Response.json(
    { message: 'This run is no longer on the server. Write it to a file from this device.' },
    { status: 404 },
  )

export async function GET(_request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return gone()
  return Response.json({ entries: entriesOf(db(), id) })
}

/** Takes entries of a run; those already held are passed over. Answers with the ids it holds. */
export async function POST(request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return gone()
  let raw: unknown
  try {
    raw = await request.json()
  } catch {
    return Response.json({ message: 'The body is not JSON.' }, { status: 400 })
  }
  const protocol = Number((raw as { protocol?: unknown } | null)?.protocol ?? LOG_PROTOCOL)
  if (protocol > LOG_PROTOCOL)
    return Response.json(
      {
        message:
          'This server is older than the device. Update the server; the entries stay on the device until then.',
      },
      { status: 409 },
    )
  try {
    const entries = readEntries(raw)
    const strange = entries.find((e) => e.runId !== id)
    if (strange)
      return Response.json({ message: `Entry ${strange.id} belongs to another run.` }, { status: 400 })
    const held = appendEntries(db(), entries)
    revalidatePath('/', 'layout')
    return Response.json({ held, total: countEntries(db(), id) })
  } catch (e) {
    if (e instanceof ValidationError)
      return Response.json({ message: `${e.path}: ${e.message}` }, { status: 400 })
    throw e
  }
}
