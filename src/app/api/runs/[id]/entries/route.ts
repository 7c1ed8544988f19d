import { db, entriesAfter, entriesOf, getRun, heldDigest, idsOf } from '@/data'
import { postedEntries, runGone } from '@/server/postedEntries'

interface Context {
  params: Promise<{ id: string }>
}

/** Entries of one answer at most. */
const PAGE = 5000

/**
 * The entries of a run: with `?after=` those that came since, a page at a time; with `?ids` their ids alone, by which a
 * device finds what one of the two lacks.
 */
export async function GET(request: Request, { params }: Context) {
  const { id } = await params
  if (!getRun(db(), id)) return runGone()
  const { searchParams } = new URL(request.url)
  if (searchParams.has('ids')) return Response.json({ ids: idsOf(db(), id) })
  const after = Number(searchParams.get('after') ?? NaN)
  if (Number.isSafeInteger(after) && after >= 0) {
    const page = entriesAfter(db(), id, after, PAGE)
    const { count, sum } = heldDigest(db(), id)
    return Response.json({ ...page, total: count, digest: sum })
  }
  return Response.json({ entries: entriesOf(db(), id) })
}

/** Entries that a device sends; the server itself answers them before they come here, unless it is being made. */
export async function POST(request: Request, { params }: Context) {
  return postedEntries(request, (await params).id)
}
