import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import type { DeviceRole } from '@/core/crew'
import type { KnownDevice } from '@/data/devices'
import { admit, TOKEN_COOKIE } from './admit'
import { LOOPBACK, type Door } from './guard'
import { Pace } from './pace'

const APP = join(process.cwd(), 'src', 'app')
const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE']

interface Route {
  path: string
  method: string
}

/** Every page and every method of every route, as they lie in the application's folder. */
function routes(folder = APP, at = ''): Route[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry): Route[] => {
    const path = join(folder, entry.name)
    if (entry.isDirectory())
      return routes(path, entry.name.startsWith('(') ? at : `${at}/${entry.name.replace(/[[\]]/g, ':')}`)
    if (entry.name === 'page.tsx') return ['GET', 'POST'].map((method) => ({ path: at || '/', method }))
    if (entry.name === 'manifest.ts') return [{ path: '/manifest.webmanifest', method: 'GET' }]
    if (entry.name === 'icon.svg') return [{ path: '/icon.svg', method: 'GET' }]
    if (entry.name !== 'route.ts') return []
    const text = readFileSync(path, 'utf8')
    return METHODS.filter((m) => new RegExp(`export (?:(?:async )?function|const) ${m}\\b`).test(text)).map(
      (method) => ({
        path: at,
        method,
      }),
    )
  })
}

const device = (role: DeviceRole, revokedAt: string | null = null): KnownDevice => ({
  id: role,
  name: role,
  sign: role,
  role,
  createdAt: '2026-05-16T08:00:00Z',
  lastSeenAt: null,
  revokedAt,
  runs: [{ runId: 'given', post: null, rigIds: [] }],
})
const DEVICES: Record<string, KnownDevice> = {
  field: device('field'),
  observer: device('observer'),
  desk: device('desk'),
  'shut out': device('desk', '2026-05-17T08:00:00Z'),
}
const CREW: Door = { kind: 'crew', names: ['192.168.7.4'] }
const DESK: Door = { kind: 'desk', names: LOOPBACK }

interface From {
  host?: string
  origin?: string
  fetchSite?: string
}

/** Whether a device has a route; a field device asks for a run that it was given, and for one that it was not. */
function has(who: string | null, { path, method }: Route, run: string, door: Door, from: From = {}): boolean {
  const own = door.kind === 'desk' ? '127.0.0.1:3217' : '192.168.7.4:3243'
  const url = path.replace('/runs/:id:', `/runs/${run}`).replace(/:\w+:/g, 'x')
  const admission = admit(
    {
      method,
      url,
      address: '192.168.7.20',
      headers: {
        host: from.host ?? own,
        origin: from.origin ?? `${door.kind === 'desk' ? 'http' : 'https'}://${own}`,
        'sec-fetch-site': from.fetchSite ?? 'same-origin',
        cookie: who === null ? undefined : `${TOKEN_COOKIE}=${who}`,
      },
    },
    door,
    (token) => DEVICES[token] ?? null,
    new Pace(10),
  )
  return admission.let === 'in'
}

const ALL = routes().sort((a, b) => a.path.localeCompare(b.path) || a.method.localeCompare(b.method))

it('every route is walked by everybody: who has what stands in docs/security-routes.md', async () => {
  expect(ALL.length).toBeGreaterThan(60)
  const rows = ALL.map((route) => {
    const may = (who: string | null) => {
      const given = has(who, route, 'given', CREW)
      const other = has(who, route, 'other', CREW)
      return given ? (other ? 'yes' : 'its runs') : ''
    }
    const cells = [null, 'shut out', 'field', 'observer', 'desk'].map(may)
    return `| ${[route.method, route.path.replace(/:(\w+):/g, '{$1}'), ...cells].join(' | ')} |`
  })
  const text = [
    '# Who has which route',
    '',
    'Made by `src/server/door/routes.test.ts` from the routes that are there; `npx vitest run -u src/server/door` makes it anew.',
    'A POST to a page is an action of it. The machine’s own screen has all of them.',
    '',
    '| | route | nobody | shut out | field | looks on | desk |',
    '|---|---|---|---|---|---|---|',
    ...rows,
    '',
  ].join('\n')
  await expect(text).toMatchFileSnapshot('../../../docs/security-routes.md')
})

it('nobody, and who was shut out, have no route with data in it', () => {
  const open = ALL.filter((r) => has(null, r, 'given', CREW))
  expect(open.map((r) => `${r.method} ${r.path}`)).toEqual([
    'GET /api/me',
    'POST /api/pair',
    'GET /field',
    'GET /icon.svg',
    'GET /manifest.webmanifest',
    'GET /pair',
    'GET /sw.js',
  ])
  for (const route of ALL) expect(has('shut out', route, 'given', CREW)).toBe(has(null, route, 'given', CREW))
})

it('what only the owner may is nobody else’s: devices, backups', () => {
  for (const route of ALL.filter((r) => /^\/(api\/)?(crew|backup|keep)/.test(r.path)))
    for (const who of [null, 'field', 'observer', 'desk', 'shut out'])
      expect([route, who, has(who, route, 'given', CREW)]).toEqual([route, who, false])
})

it('a foreign name has nothing of anybody, at either door', () => {
  for (const route of ALL)
    for (const who of [null, 'field', 'observer', 'desk'])
      for (const door of [CREW, DESK])
        expect(has(who, route, 'given', door, { host: 'elsewhere.example' })).toBe(false)
})

it('another page changes nothing for anybody, at either door', () => {
  const elsewhere = { origin: 'https://elsewhere.example', fetchSite: 'cross-site' }
  for (const route of ALL.filter((r) => r.method !== 'GET'))
    for (const who of [null, 'field', 'observer', 'desk'])
      for (const door of [CREW, DESK]) expect(has(who, route, 'given', door, elsewhere)).toBe(false)
})

it('the machine’s own screen has all', () => {
  for (const route of ALL) expect(has(null, route, 'given', DESK)).toBe(true)
})
