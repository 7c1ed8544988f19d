import { DONE, type Outcome } from '@/core/outcome'
import { checked } from '@/core/schema'
import { db, giveRun, renameDevice, revokeDevice, takeRunBack } from '@/data'
import { tellBoard } from '@/server/crew/live'
import { deviceChange } from '@/server/crew/records'
import { note } from '@/server/door/noted'
import { jsonOf, refusedFor } from '@/server/json'

interface Context {
  params: Promise<{ id: string }>
}

function answered(done: Outcome) {
  if (!done.ok) return refusedFor(done)
  tellBoard()
  return Response.json({})
}

/** Renames a device, gives it a run, or takes one back. */
export async function PATCH(request: Request, { params }: Context) {
  const { id } = await params
  const raw = await jsonOf(request)
  const change = raw.ok ? checked(deviceChange, raw.value) : raw
  if (!change.ok) return refusedFor(change)
  const { name, give, takeBack } = change.value
  if (name !== undefined) return answered(renameDevice(db(), id, name))
  if (give) {
    const { runId, post = null, rigIds = [] } = give
    return answered(giveRun(db(), id, { runId, post, rigIds }))
  }
  return answered(takeBack === undefined ? DONE : takeRunBack(db(), id, takeBack))
}

/** From now on the device is not let in any more. */
export async function DELETE(_request: Request, { params }: Context) {
  const { id } = await params
  note('shut out', { device: id })
  return answered(revokeDevice(db(), id))
}
