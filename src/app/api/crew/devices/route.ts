import QRCode from 'qrcode'
import { checked } from '@/core/schema'
import { db, invite } from '@/data'
import { deviceLines } from '@/server/crew/board'
import { crewDoors } from '@/server/crew/crewDoors'
import { invitationRecord } from '@/server/crew/records'
import { jsonOf, refused, refusedFor } from '@/server/json'

/** Every device that was brought in. */
export function GET() {
  return Response.json({ devices: deviceLines() })
}

/** Words by which one device comes in, and the picture that a camera reads them from. */
export async function POST(request: Request) {
  const raw = await jsonOf(request)
  const what = raw.ok ? checked(invitationRecord, raw.value) : raw
  if (!what.ok) return refusedFor(what)
  const origin = process.env.EVEN_REACH_ORIGIN
  const doors = crewDoors()?.state()
  if (origin === undefined && !doors?.open)
    return refused('Let other devices in first: the door is shut.', 409)
  const { id, words, expiresAt } = invite(db(), what.value)
  // Behind a # it is read by the page alone, and never sent without TLS.
  const address = `${origin ? `${origin}/pair` : `${doors!.plain[0]!}/`}#${words.replaceAll(' ', '-')}`
  const picture = await QRCode.toString(address, { type: 'svg', errorCorrectionLevel: 'M', margin: 2 })
  return Response.json({ id, words, expiresAt, address, picture })
}
