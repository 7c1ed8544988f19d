import { db, listRuns, trialContents } from '@/data'
import { refused } from '@/server/json'
import { runFileOf } from '@/server/runFile'

/** Every run of a trial as one file: each as the field screen writes it, with the digest that says it is whole. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const contents = trialContents(db(), id)
  if (!contents) return refused('This trial is no longer there.', 404)
  const runs = listRuns(db(), id).map((run) => runFileOf(db(), run))
  return Response.json({ format: 'even-reach-runs', trial: contents.name, digest: contents.digest, runs })
}
