import { oneOf, checked, record } from '@/core/schema'
import { db, setUnits } from '@/data'
import { jsonOf, refused } from '@/server/json'

const chosen = record({ units: oneOf(['metric', 'imperial']) })

/** Chooses the units that screens speak in, on every device. */
export async function PUT(request: Request) {
  const raw = await jsonOf(request)
  const choice = raw.ok ? checked(chosen, raw.value) : raw
  if (!choice.ok) return refused(choice.problems.map((p) => p.message).join(' '))
  setUnits(db(), choice.value.units)
  return Response.json(choice.value)
}
