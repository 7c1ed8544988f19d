import type { IncomingHttpHeaders } from 'node:http'
import type { Asker } from '@/core/crew'
import type { KnownDevice } from '@/data/devices'
import { refusal, type Door } from './guard'
import { mayHave } from './routes'
import type { Pace } from './pace'

/** The name of what a device proves itself with; browsers keep one of this name for this origin and over TLS only. */
export const TOKEN_COOKIE = '__Host-reach'

export interface Asked {
  method: string
  /** With the query. */
  url: string
  headers: IncomingHttpHeaders
  /** Of the other end. */
  address: string
}

export type Admission =
  | { let: 'in'; asker: Asker; device: KnownDevice | null }
  | { let: 'go'; status: 400 | 401 | 403 | 429 | 503; message: string; to: string | null }

const UNKNOWN_DEVICE =
  'This device is not let in. Ask at the desk for it to be brought in; what is on it can be written to a file.'
const NOT_YOURS = 'This device may not have this. What it may do is chosen at the desk.'
const TOO_OFTEN = 'This device asks too often. It is let in again within a minute.'

const one = (header: string | string[] | undefined): string | null =>
  header === undefined ? null : Array.isArray(header) ? (header[0] ?? null) : header

/** The token that a request carries. */
export function tokenOf(cookies: string | undefined): string | null {
  const start = `${TOKEN_COOKIE}=`
  const found = cookies?.split(/;\s*/).find((c) => c.startsWith(start))
  return found ? found.slice(start.length) : null
}

const FORWARDED = [
  'forwarded',
  'via',
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-real-ip',
]

/** A part of the application itself, the same for everybody: not counted, and no device is looked up for it. */
const isPart = (path: string) => path.startsWith('/_next/static/')

/** The path and query of an address, with every way round about in it taken. */
export function pathOf(url: string): string {
  const { pathname, search } = new URL(url, 'http://here')
  return pathname + search
}

/**
 * Whether a request is let in, as whom, and what it is told where it is not.
 * @param deviceOf finds a device by its token
 */
export function admit(
  { method, url, headers, address }: Asked,
  door: Door,
  deviceOf: (token: string) => KnownDevice | null,
  pace: Pace,
): Admission {
  const go = (status: 401 | 403 | 429, message: string, to: string | null = null): Admission => ({
    let: 'go',
    status,
    message,
    to,
  })
  const path = pathOf(url).split('?')[0]!
  const why = refusal(
    {
      method,
      host: one(headers.host),
      origin: one(headers.origin),
      fetchSite: one(headers['sec-fetch-site']),
      forwarded: FORWARDED.some((h) => headers[h] !== undefined),
    },
    door,
  )
  if (why !== null) return go(403, why)
  if (door.kind === 'desk') return { let: 'in', asker: 'owner', device: null }
  const wanted = { method, path, isAction: headers['next-action'] !== undefined }
  if (isPart(path) && mayHave('nobody', wanted, [])) return { let: 'in', asker: 'nobody', device: null }
  const token = tokenOf(headers.cookie)
  const known = token === null ? null : deviceOf(token)
  const device = known?.revokedAt === null ? known : null
  if (!pace.goesOn(device?.id ?? address)) return go(429, TOO_OFTEN)
  const asker: Asker = device?.role ?? 'nobody'
  const runs = device?.runs.map((r) => r.runId) ?? []
  if (mayHave(asker, wanted, runs)) return { let: 'in', asker, device }
  const isPage = method === 'GET' && headers['sec-fetch-dest'] === 'document'
  if (!device) return go(401, UNKNOWN_DEVICE, isPage ? '/pair' : null)
  return go(403, NOT_YOURS, isPage && path === '/' ? '/field' : null)
}
