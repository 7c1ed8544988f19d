import { db, entriesOf, getRun, groundOf, unitsOf } from '@/data'
import { LOG_PROTOCOL } from '@/core/trial'
import type { RunPack } from '@/features/field/log/runPack'
import { refused } from '@/server/json'

/** All that a device needs to carry the run out, and its log. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const run = getRun(db(), (await params).id)
  if (!run) return refused('This run is no longer on the server.', 404)
  const pack: RunPack = {
    protocol: LOG_PROTOCOL,
    runId: run.id,
    trialId: run.trialId,
    runName: run.name,
    startedAt: run.startedAt,
    plan: run.plan,
    ground: groundOf(db(), run.plan),
    units: unitsOf(db()),
  }
  return Response.json({ pack, entries: entriesOf(db(), run.id) })
}
