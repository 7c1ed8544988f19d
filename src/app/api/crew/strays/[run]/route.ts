import { db, straysOf } from '@/data'

/** What devices brought of a run that is gone here, as a file. */
export async function GET(_request: Request, { params }: { params: Promise<{ run: string }> }) {
  const { run } = await params
  return Response.json(
    { format: 'even-reach-entries', runId: run, entries: straysOf(db(), run) },
    { headers: { 'content-disposition': 'attachment; filename="entries-of-a-run-that-is-gone.json"' } },
  )
}
