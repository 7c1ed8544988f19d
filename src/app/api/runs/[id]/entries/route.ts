import { revalidatePath } from 'next/cache'
import { messageOf } from '@/core/outcome'
import { LOG_PROTOCOL } from '@/core/trial'
import { readEntries } from '@/core/trial/readLog'
import { appendEntries, countEntries, db, entriesOf, getRun } from '@/data'
import { jsonOf, refused } from '@/server/json'

interface Context {
  params: Promise<{ id: string }>
}

const gone = () => refused('This run is no longer on the server. Write it to a file from this device.', 404)

export async function GET(_request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return gone()
  return Response.json({ entries: entriesOf(db(), id) })
}

/** Takes entries of a run; those already held are passed over. Answers with the ids it holds. */
export async function POST(request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return gone()
  const raw = await jsonOf(request)
  if (!raw.ok) return refused(messageOf(raw))
  const protocol = Number((raw.value as { protocol?: unknown } | null)?.protocol ?? LOG_PROTOCOL)
  if (protocol > LOG_PROTOCOL)
    return refused(
      'This server is older than the device. Update the server; the entries stay on the device until then.',
      409,
    )
  const entries = readEntries(raw.value, id)
  if (!entries.ok) return refused(messageOf(entries))
  const held = appendEntries(db(), entries.value)
  revalidatePath('/', 'layout')
  return Response.json({ held, total: countEntries(db(), id) })
}
