import { messageOf, refuse } from '@/core/outcome'
import { checked, flag, record } from '@/core/schema'
import { crewDoors } from '@/server/crew/crewDoors'
import { jsonOf, refused, refusedFor } from '@/server/json'

const wanted = record({ open: flag().required() })

const NO_DOORS =
  'Other devices can be let in where the application was started with npm start or npm run demo.'

/** How other devices come in. */
export function GET() {
  const doors = crewDoors()
  return doors ? Response.json(doors.state()) : refused(NO_DOORS, 409)
}

/** Lets other devices in, or shuts the door again. */
export async function POST(request: Request) {
  const raw = await jsonOf(request)
  const asked = raw.ok ? checked(wanted, raw.value) : raw
  if (!asked.ok) return refusedFor(asked)
  const doors = crewDoors()
  if (!doors) return refused(NO_DOORS, 409)
  try {
    return Response.json(await (asked.value.open ? doors.open() : doors.close()))
  } catch (e) {
    return refused(messageOf(refuse(e instanceof Error ? e.message : String(e))), 409)
  }
}
