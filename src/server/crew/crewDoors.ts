import { randomBytes } from 'node:crypto'
import { createServer as createPlain, type RequestListener, type Server } from 'node:http'
import { createServer as createSecure, type Server as SecureServer } from 'node:https'
import type { Door } from '../door/guard'
import { credentials, type Credentials } from './authority'
import { inAddress, ownNames, type OwnNames } from './ownNames'
import { authorityFile, plainHeaders, plainIcon, plainPage } from './plainPage'

/** How other devices of the room come in. */
export interface CrewState {
  open: boolean
  /** The page that hands the certificate over, by each address of the machine; the first is the one to show. */
  plain: string[]
  /** The application itself, by the same. */
  secure: string[]
  /** Of the authority, as systems show it; null while it is closed. */
  fingerprint: string | null
}

const LOOK_MS = 30_000
const EVERYWHERE = '0.0.0.0'

async function listen(server: Server | SecureServer, from: number): Promise<number> {
  for (let port = from; port < from + 50; port++) {
    const taken = await new Promise<boolean>((done, fail) => {
      const onError = (e: NodeJS.ErrnoException) =>
        e.code === 'EADDRINUSE' || e.code === 'EACCES' ? done(true) : fail(e)
      server.once('error', onError)
      server.listen(port, EVERYWHERE, () => {
        server.off('error', onError)
        done(false)
      })
    })
    if (!taken) return port
  }
  throw new Error(`No free port from ${from} to ${from + 49}. Name another with EVEN_REACH_CREW_PORT.`)
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

interface Opened {
  secure: SecureServer
  plain: Server
  securePort: number
  plainPort: number
  made: Credentials
  names: OwnNames
  timer: NodeJS.Timeout
}

/**
 * The doors for other devices: one over TLS, and one page without that says how to trust it. Closed until asked for.
 */
export class CrewDoors {
  private opened: Opened | null = null
  private turn: Promise<unknown> = Promise.resolve()

  /**
   * @param root the application's folder
   * @param folder where keys and certificates are kept
   * @param handlerOf what answers behind the secure door
   */
  constructor(
    private readonly root: string,
    private readonly folder: string,
    private readonly firstPort: number,
    private readonly handlerOf: (door: () => Door) => RequestListener,
  ) {}

  /** Opens them; where they are open already nothing happens. */
  open(): Promise<CrewState> {
    return this.inTurn(async () => {
      if (this.opened) return this.state()
      const names = ownNames()
      if (names.addresses.length === 0)
        throw new Error('This machine is in no network: join one, or open a hotspot, and try again.')
      const made = await credentials(this.folder, names)
      const secure = createSecure(
        { key: made.key, cert: made.cert },
        this.handlerOf(() => this.door()),
      )
      const plain = createPlain((request, response) =>
        this.answerPlain(request.method, request.url, response),
      )
      const securePort = await listen(secure, this.firstPort)
      const plainPort = await listen(plain, securePort + 1)
      const timer = setInterval(() => void this.renew(), LOOK_MS)
      timer.unref()
      this.opened = { secure, plain, securePort, plainPort, made, names, timer }
      return this.state()
    })
  }

  /** Closes them; devices that are connected are cut off, and go on by themselves. */
  close(): Promise<CrewState> {
    return this.inTurn(async () => {
      if (!this.opened) return this.state()
      const { secure, plain, timer } = this.opened
      this.opened = null
      clearInterval(timer)
      for (const server of [secure, plain]) {
        const closed = new Promise((done) => server.close(done))
        server.closeAllConnections()
        await closed
      }
      return this.state()
    })
  }

  state(): CrewState {
    if (!this.opened) return { open: false, plain: [], secure: [], fingerprint: null }
    const { names, securePort, plainPort, made } = this.opened
    const all = [...names.addresses.filter((a) => !a.includes(':')), ...names.hosts]
    return {
      open: true,
      plain: all.map((a) => `http://${inAddress(a)}:${plainPort}`),
      secure: all.map((a) => `https://${inAddress(a)}:${securePort}`),
      fingerprint: made.fingerprint,
    }
  }

  private door(): Door {
    const { addresses, hosts } = this.opened?.names ?? { addresses: [], hosts: [] }
    return { kind: 'crew', names: [...addresses.map(inAddress), ...hosts] }
  }

  /** A new address, or a certificate that is near its end: the next connection has the new one. */
  private renew(): Promise<unknown> {
    return this.inTurn(async () => {
      if (!this.opened) return
      const names = ownNames()
      if (names.addresses.length === 0) return
      const made = await credentials(this.folder, names)
      if (same(made, this.opened.made)) return
      this.opened.secure.setSecureContext({ key: made.key, cert: made.cert })
      Object.assign(this.opened, { made, names })
    }).catch(() => undefined)
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const done = this.turn.then(work)
    this.turn = done.catch(() => undefined)
    return done
  }

  private answerPlain(
    method: string | undefined,
    url: string | undefined,
    response: Parameters<RequestListener>[1],
  ): void {
    const nonce = randomBytes(16).toString('base64')
    const answer = (status: number, type: string, body: string | Buffer, more: Record<string, string> = {}) =>
      response.writeHead(status, { ...plainHeaders(nonce), 'content-type': type, ...more }).end(body)
    const path = (url ?? '/').split('?')[0]
    if (!this.opened || (method !== 'GET' && method !== 'HEAD'))
      return void answer(404, 'text/plain', 'Not here.')
    const { made, securePort } = this.opened
    if (path === '/')
      return void answer(200, 'text/html; charset=utf-8', plainPage(made.fingerprint, securePort, nonce))
    if (path === '/even-reach-authority.crt')
      return void answer(200, 'application/x-x509-ca-cert', authorityFile(made.authority), {
        'content-disposition': 'attachment; filename="even-reach-authority.crt"',
      })
    if (path === '/favicon.ico') return void answer(200, 'image/svg+xml', plainIcon(this.root))
    answer(404, 'text/plain; charset=utf-8', 'There is one page here: the way in for a new device.')
  }
}

const holder = globalThis as typeof globalThis & { evenReachCrew?: CrewDoors }

/** The doors of this server; null where it was not started by its own front. */
export const crewDoors = (): CrewDoors | null => holder.evenReachCrew ?? null
export const setCrewDoors = (doors: CrewDoors): void => void (holder.evenReachCrew = doors)
