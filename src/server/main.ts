import { randomBytes } from 'node:crypto'
import { createServer, type RequestListener, type Server, type ServerResponse } from 'node:http'
import { dirname, join } from 'node:path'
import next from 'next'
import { databaseFile, databaseTrouble, db } from '@/data/database'
import { deviceOfToken, sawDevice, type KnownDevice } from '@/data/devices'
import { diskTrouble } from '@/data/diskTrouble'
import { withBuiltFiles } from './builtFiles'
import { CrewDoors, setCrewDoors } from './crew/crewDoors'
import { admit, pathOf, type Admission, type Asked } from './door/admit'
import { LOOPBACK, type Door } from './door/guard'
import { safeHeaders } from './door/headers'
import { AtOnce } from './door/atOnce'
import { note } from './door/noted'
import { Pace } from './door/pace'
import { isChange } from './door/routes'
import { ASKER_HEADER, DEVICE_HEADER, OUR_HEADERS } from './door/whoAsks'
import { answeredPlainly } from './plain'

/** Requests a minute, the application's own parts not counted. */
const MOST_A_MINUTE = 1200
const FIRST_CREW_PORT = 3243

const dev = process.argv.includes('--dev')
const port = Number(process.env.PORT ?? 3217)
const root = process.cwd()
const pace = new Pace(MOST_A_MINUTE)
/** What one device may send side by side. */
const atOnce = new AtOnce(8)

function deviceBy(token: string): KnownDevice | null {
  const device = deviceOfToken(db(), token)
  if (device?.revokedAt === null) sawDevice(db(), device)
  return device
}

function turnAway(response: ServerResponse, status: number, message: string, to: string | null) {
  if (to !== null) return void response.writeHead(303, { location: to }).end()
  response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify({ message }))
}

/** As `admit`; an address that cannot be read is nobody's. */
function admitted(asked: Asked, door: Door): Admission {
  try {
    return admit(asked, door, deviceBy, pace)
  } catch (e) {
    if (e instanceof URIError || e instanceof TypeError)
      return { let: 'go', status: 400, message: 'This address cannot be read.', to: null }
    const trouble = diskTrouble(e) ?? databaseTrouble()
    if (trouble === null) throw e
    return { let: 'go', status: 503, message: trouble, to: null }
  }
}

/** Nothing comes to the application but by here. */
const handlerOf =
  (handle: RequestListener) =>
  (doorNow: () => Door): RequestListener =>
  (request, response) => {
    const { headers } = request
    for (const name of Object.keys(headers)) if (name.startsWith(OUR_HEADERS)) delete headers[name]
    const nonce = randomBytes(16).toString('base64')
    const safe = safeHeaders(nonce)
    // Hot reloading in the making of the application evaluates text.
    if (!dev) for (const [name, value] of Object.entries(safe)) response.setHeader(name, value)
    const asked = {
      method: request.method ?? 'GET',
      url: request.url ?? '/',
      headers,
      address: request.socket.remoteAddress ?? '',
    }
    const admission = admitted(asked, doorNow())
    if (admission.let === 'go') {
      if (admission.to === null && admission.status !== 503)
        note('turned away', {
          status: admission.status,
          from: asked.address,
          method: asked.method,
          path: asked.url,
        })
      return turnAway(response, admission.status, admission.message, admission.to)
    }
    const sender = admission.device?.id ?? asked.address
    if (admission.asker !== 'owner' && isChange(asked.method) && !atOnce.begins(sender, response))
      return turnAway(response, 429, 'This device sends too much at once. It goes on by itself.', null)
    // What was looked at is what is handed on: no path that means another thing to who reads it next.
    request.url = pathOf(asked.url)
    headers[ASKER_HEADER] = admission.asker
    if (admission.device) headers[DEVICE_HEADER] = admission.device.id
    // The page's first scripts are given what this answer allows.
    if (!dev) headers['content-security-policy'] = safe['content-security-policy']
    return handle(request, response)
  }

/** Listens on this machine alone. */
const listening = (server: Server, at: number) =>
  new Promise<void>((done, fail) => {
    server.once('error', fail)
    server.listen(at, '127.0.0.1', () => done())
  })

async function main() {
  const app = next({ dev, dir: root, hostname: '127.0.0.1', port })
  await app.prepare()
  const nextHandler = app.getRequestHandler()
  const answer: RequestListener = (request, response) => {
    if (answeredPlainly(request, response)) return
    nextHandler(request, response).catch((e: unknown) => process.stderr.write(`${String(e)}\n`))
  }
  const behind = handlerOf(dev ? answer : withBuiltFiles(join(root, '.next', 'static'), answer))
  const desk = createServer(behind(() => ({ kind: 'desk', names: LOOPBACK })))
  if (dev) {
    const upgrade = app.getUpgradeHandler()
    desk.on('upgrade', (...a) => void upgrade(...a))
  }
  await listening(desk, port)

  const origin = process.env.EVEN_REACH_ORIGIN
  if (origin !== undefined) {
    const frontPort = Number(process.env.EVEN_REACH_FRONT_PORT ?? port + 1)
    const names = [new URL(origin).host]
    const front = createServer(behind(() => ({ kind: 'front', names })))
    await listening(front, frontPort)
    process.stdout.write(`For the server in front of it (${origin}): http://127.0.0.1:${frontPort}\n`)
  }

  const doors = new CrewDoors(
    root,
    join(dirname(databaseFile()), 'crew'),
    Number(process.env.EVEN_REACH_CREW_PORT ?? FIRST_CREW_PORT),
    behind,
  )
  setCrewDoors(doors)
  if (process.argv.includes('--crew')) {
    const { plain } = await doors.open()
    process.stdout.write(`Other devices come in by ${plain.join(' or ')}\n`)
  }
  process.stdout.write('Ready\n')
}

main().catch((e: unknown) => {
  process.stderr.write(`${e instanceof Error ? e.message : String(e)}\n`)
  process.exit(1)
})
