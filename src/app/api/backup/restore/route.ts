import { revalidatePath } from 'next/cache'
import { checked, id, record } from '@/core/schema'
import { restoreBackup } from '@/data'
import { tellBoard } from '@/server/crew/live'
import { jsonOf, refusedFor } from '@/server/json'

const wanted = record({ id: id() })

/** Puts a backup that was looked at in the place of what is here. */
export async function POST(request: Request) {
  const raw = await jsonOf(request)
  const asked = raw.ok ? checked(wanted, raw.value) : raw
  if (!asked.ok) return refusedFor(asked)
  const done = await restoreBackup(asked.value.id)
  if (!done.ok) return refusedFor(done)
  revalidatePath('/', 'layout')
  tellBoard()
  return Response.json(done.value)
}
