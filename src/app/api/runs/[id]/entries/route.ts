import { revalidatePath } from 'next/cache'
import { messageOf } from '@/core/outcome'
import { LOG_PROTOCOL } from '@/core/trial'
import { readEntries } from '@/core/trial/readLog'
import { appendEntries, db, entriesOf, getRun, heldDigest, idsOf } from '@/data'
import { jsonOf, refused, refusedFor } from '@/server/json'

interface Context {
  params: Promise<{ id: string }>
}

const gone = () => refused('This run is no longer on the server. Write it to a file from this device.', 404)

/** The entries of a run; with `?ids` their ids alone, by which a device finds what one of the two lacks. */
export async function GET(request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return gone()
  if (new URL(request.url).searchParams.has('ids')) return Response.json({ ids: idsOf(db(), id) })
  return Response.json({ entries: entriesOf(db(), id) })
}

/**
 * Takes entries of a run; those already held are passed over, and one that cannot be taken holds up no other. Answers
 * with the ids it holds, those it refused, and a digest of all that it holds.
 */
export async function POST(request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return gone()
  const raw = await jsonOf(request)
  if (!raw.ok) return refusedFor(raw)
  const protocol = Number((raw.value as { protocol?: unknown } | null)?.protocol ?? LOG_PROTOCOL)
  if (protocol > LOG_PROTOCOL)
    return refused(
      'This server is older than the device. Update the server; the entries stay on the device until then.',
      409,
    )
  const read = readEntries(raw.value, id)
  if (!read.ok) return refused(messageOf(read))
  const { entries, refused: bad } = read.value
  const fresh = appendEntries(db(), entries)
  if (fresh.length > 0) revalidatePath('/', 'layout')
  const digest = heldDigest(db(), id)
  return Response.json({
    held: entries.map((e) => e.id),
    refused: bad,
    total: digest.count,
    digest: digest.sum,
  })
}
