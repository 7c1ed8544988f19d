import { LOG_PROTOCOL } from '@/core/trial'
import { db, entriesOf, getMedia, listMediaIds, listRuns, trialContents } from '@/data'
import { refused } from '@/server/json'

/** Every run of a trial as one file: each as the field screen writes it, with the digest that says it is whole. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const contents = trialContents(db(), id)
  if (!contents) return refused('This trial is no longer there.', 404)
  const runs = listRuns(db(), id).map((run) => ({
    format: 'even-reach-run',
    pack: {
      protocol: LOG_PROTOCOL,
      runId: run.id,
      trialId: id,
      runName: run.name,
      startedAt: run.startedAt,
      plan: run.plan,
    },
    entries: entriesOf(db(), run.id),
    media: listMediaIds(db(), run.id).map((mediaId) => {
      const { type, bytes } = getMedia(db(), run.id, mediaId)!
      return { id: mediaId, type, base64: bytes.toString('base64') }
    }),
  }))
  return Response.json({ format: 'even-reach-runs', trial: contents.name, digest: contents.digest, runs })
}
