import { messageOf } from '@/core/outcome'
import { checked, record, text } from '@/core/schema'
import { db, pair } from '@/data'
import { tellBoard } from '@/server/crew/live'
import { TOKEN_COOKIE } from '@/server/door/admit'
import { note } from '@/server/door/noted'
import { Pace } from '@/server/door/pace'
import { whoAsks } from '@/server/door/whoAsks'
import { jsonOf, refused, refusedFor } from '@/server/json'

const wanted = record({ words: text(200).required('Type the six words that the desk shows.') })

/** Codes tried a minute, by all devices together: nobody guesses 42 bits at this pace. */
const tries = new Pace(5)
const TOKEN_DAYS = 180

/** Brings a device in by the words on the desk's screen, and gives it what it proves itself with. */
export async function POST(request: Request) {
  if (whoAsks(request.headers).asker === 'owner')
    return refused('This is the desk’s own screen: it needs not be brought in.', 409)
  const raw = await jsonOf(request, 10_000)
  if (!raw.ok) return refusedFor(raw)
  const asked = checked(wanted, raw.value)
  if (!asked.ok) return refused(messageOf(asked))
  if (!tries.goesOn('all')) {
    note('words tried too often')
    return refused('Words were tried five times within a minute. Wait a minute, then try again.', 429)
  }
  const made = pair(db(), asked.value.words)
  if (!made.ok) {
    note('words that were none')
    return refused(messageOf(made))
  }
  const { device, token } = made.value
  note('brought in', { device: device.name, role: device.role })
  tellBoard()
  const cookie = `${TOKEN_COOKIE}=${token}; Path=/; Max-Age=${TOKEN_DAYS * 86_400}; Secure; HttpOnly; SameSite=Strict`
  return Response.json(
    { device: { name: device.name, sign: device.sign, role: device.role } },
    { headers: { 'set-cookie': cookie } },
  )
}
