import { db, entriesOf, getRun, postIn, unitsOf } from '@/data'
import { LOG_PROTOCOL } from '@/core/trial'
import type { RunPack } from '@/features/field/log/runPack'
import { whoAsks } from '@/server/door/whoAsks'
import { correctedGround, forecastBasis } from '@/server/learntCorrection'
import { refused } from '@/server/json'

/** All that a device needs to carry the run out; with its log where it is not asked for the pack alone. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const run = getRun(db(), (await params).id)
  if (!run) return refused('This run is no longer on the server.', 404)
  const { deviceId } = whoAsks(request.headers)
  const pack: RunPack = {
    protocol: LOG_PROTOCOL,
    runId: run.id,
    trialId: run.trialId,
    runName: run.name,
    startedAt: run.startedAt,
    plan: run.plan,
    ground: await correctedGround(db(), run.trialId, run.plan),
    basis: await forecastBasis(db(), run),
    units: unitsOf(db()),
    post: deviceId === null ? null : postIn(db(), deviceId, run.id),
  }
  // The log comes a page at a time; a device of before asks for all of it at once.
  if (new URL(request.url).searchParams.has('pack')) return Response.json({ pack })
  return Response.json({ pack, entries: entriesOf(db(), run.id) })
}
