import { messageOf } from '@/core/outcome'
import { LOG_PROTOCOL } from '@/core/trial'
import { readEntries } from '@/core/trial/readLog'
import { db } from '@/data/database'
import { appendPosts, hasRun, heldDigest } from '@/data/runs'
import { keepStrays } from '@/data/strays'
import { deviceSaid, tellBoard } from './crew/live'
import { whoAsks } from './door/whoAsks'
import { jsonOf, refused, refusedFor } from './json'
import { WaitingPosts } from './waitingPosts'
import { withDisk } from './withDisk'

/** What a device is told of a run that is no longer at the desk. */
export const runGone = () =>
  refused(
    'This run is no longer at the desk. What you log is kept there for its owner; write the run to a file from this device as well.',
    404,
  )

const posts = new WaitingPosts((waiting) => appendPosts(db(), waiting))

async function take(request: Request, runId: string): Promise<Response> {
  const raw = await jsonOf(request)
  if (!raw.ok) return refusedFor(raw)
  const protocol = Number((raw.value as { protocol?: unknown } | null)?.protocol ?? LOG_PROTOCOL)
  if (protocol > LOG_PROTOCOL)
    return refused(
      'This server is older than the device. Update the server; the entries stay on the device until then.',
      409,
    )
  const read = readEntries(raw.value, runId)
  const { deviceId } = whoAsks(request.headers)
  if (!hasRun(db(), runId)) {
    if (read.ok) keepStrays(db(), runId, read.value.entries, deviceId)
    return runGone()
  }
  if (!read.ok) return refused(messageOf(read))
  const { entries, refused: bad, status } = read.value
  const fresh = await posts.append({ entries, sender: deviceId })
  if (deviceId !== null && status) deviceSaid({ id: deviceId }, runId, status)
  if (fresh.length > 0 || status) tellBoard()
  const digest = heldDigest(db(), runId)
  return Response.json({
    held: entries.map((e) => e.id),
    refused: bad,
    total: digest.count,
    digest: digest.sum,
  })
}

/**
 * Takes entries of a run; those already held are passed over, and one that cannot be taken holds up no other. Answers
 * with the ids it holds, those it refused, and a digest of all that it holds.
 */
export const postedEntries = withDisk(take)
