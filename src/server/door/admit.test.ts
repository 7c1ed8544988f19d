import { describe, expect, it } from 'vitest'
import type { DeviceRole } from '@/core/crew'
import type { KnownDevice } from '@/data/devices'
import { admit, tokenOf, TOKEN_COOKIE, type Asked } from './admit'
import { LOOPBACK, type Door } from './guard'
import { Pace } from './pace'

const DESK: Door = { kind: 'desk', names: LOOPBACK }
const CREW: Door = { kind: 'crew', names: ['192.168.7.4'] }
const device = (role: DeviceRole, revokedAt: string | null = null): KnownDevice => ({
  id: `the ${role}`,
  name: role,
  sign: role,
  role,
  createdAt: '2026-05-16T08:00:00Z',
  lastSeenAt: null,
  revokedAt,
  runs: [{ runId: 'given', post: null, rigIds: [] }],
})
const DEVICES: Record<string, KnownDevice> = {
  f: device('field'),
  o: device('observer'),
  d: device('desk'),
  r: device('desk', '2026-05-17T08:00:00Z'),
}

/** A request at the telephones' door, as a browser sends it. */
function asked(method: string, url: string, token: string | null, headers: Asked['headers'] = {}): Asked {
  return {
    method,
    url,
    address: '192.168.7.20',
    headers: {
      host: '192.168.7.4:3243',
      origin: 'https://192.168.7.4:3243',
      cookie: token === null ? undefined : `theme=night; ${TOKEN_COOKIE}=${token}`,
      ...headers,
    },
  }
}
const at = (door: Door, a: Asked, pace = new Pace(100)) => admit(a, door, (t) => DEVICES[t] ?? null, pace)

describe('at the telephones’ door', () => {
  it.each<[string, string, string | null, string]>([
    ['GET', '/trials/x/findings?by=second', 'o', 'observer'],
    ['GET', '/trials/x/findings', 'd', 'desk'],
    ['POST', '/trials/x/plan', 'd', 'desk'],
    ['GET', '/api/runs/given', 'f', 'field'],
    ['POST', '/api/runs/given/entries', 'f', 'field'],
    ['GET', '/field?run=given', 'f', 'field'],
    ['GET', '/field', null, 'nobody'],
    ['GET', '/pair', null, 'nobody'],
    ['POST', '/api/pair', null, 'nobody'],
    ['GET', '/pair', 'r', 'nobody'],
    ['GET', '/_next/static/chunks/a.js', 'f', 'nobody'],
  ])('%s %s with %s is let in as %s', (method, url, token, asker) =>
    expect(at(CREW, asked(method, url, token))).toMatchObject({ let: 'in', asker }),
  )

  it.each<[string, string, string | null, number]>([
    ['GET', '/', null, 401],
    ['GET', '/api/runs/given', null, 401],
    ['GET', '/api/runs/given', 'r', 401],
    ['GET', '/api/runs/given', 'forged', 401],
    ['GET', '/api/runs/other', 'f', 403],
    ['POST', '/api/runs/other/entries', 'f', 403],
    ['POST', '/api/runs/%67iven2/entries', 'f', 403],
    ['GET', '/api/runs/../../trials/x', 'f', 403],
    ['POST', '/api/runs/given/entries', 'o', 403],
    ['POST', '/trials/x/plan', 'o', 403],
    ['GET', '/crew', 'd', 403],
    ['POST', '/api/crew', 'd', 403],
    ['GET', '/api/backup', 'd', 403],
    ['GET', '/api/something/new', 'd', 403],
    ['GET', '/somewhere/else', 'd', 403],
    ['PROPFIND', '/trials/x', 'd', 403],
    ['GET', '//x/crew', 'd', 403],
    ['GET', '/_next/static/%2e%2e/%2e%2e/api/crew', 'd', 403],
    ['GET', '/_next/static\\..\\..\\api\\crew', 'd', 403],
    ['GET', '/trials/../crew', 'd', 403],
    ['POST', '/_next/static/chunks/a.js', null, 401],
  ])('%s %s with %s gets %s', (method, url, token, status) => {
    expect(at(CREW, asked(method, url, token))).toMatchObject({ let: 'go', status })
  })

  it('an action of the desk is the desk’s wherever it is posted', () => {
    const action = { 'next-action': '7f' }
    for (const token of ['f', 'o', null])
      for (const url of ['/api/pair', '/field', '/trials/x', '/api/runs/given/entries'])
        expect(at(CREW, asked('POST', url, token, action)).let).toBe('go')
    expect(at(CREW, asked('POST', '/trials/x', 'd', action))).toMatchObject({ let: 'in', asker: 'desk' })
  })

  it('a page that somebody opens leads to where they can go on', () => {
    const page = { 'sec-fetch-dest': 'document' }
    expect(at(CREW, asked('GET', '/', null, page))).toMatchObject({ status: 401, to: '/pair' })
    expect(at(CREW, asked('GET', '/', 'f', page))).toMatchObject({ status: 403, to: '/field' })
    expect(at(CREW, asked('GET', '/api/runs/given', null))).toMatchObject({ status: 401, to: null })
  })

  it('who asks too often waits, and holds up no other', () => {
    const pace = new Pace(2)
    const three = () => [1, 2, 3].map(() => at(CREW, asked('GET', '/api/me', 'f'), pace).let)
    expect(three()).toEqual(['in', 'in', 'go'])
    expect(at(CREW, asked('GET', '/api/me', 'f'), pace)).toMatchObject({ status: 429 })
    expect(at(CREW, asked('GET', '/api/me', 'o'), pace).let).toBe('in')
  })
})

it('the machine’s own screen may all, and no cookie makes anybody else of it', () => {
  const own = { host: '127.0.0.1:3217', origin: 'http://127.0.0.1:3217' }
  for (const [method, url] of [
    ['GET', '/crew'],
    ['POST', '/api/crew'],
    ['GET', '/nowhere'],
  ] as const)
    expect(at(DESK, asked(method, url, 'f', own))).toEqual({ let: 'in', asker: 'owner', device: null })
})

it.each([['//'], ['/api/runs/%zz/entries']])(
  'the address %s throws what the server answers with 400',
  (url) => expect(() => at(CREW, asked('GET', url, 'f'))).toThrow(/URI|URL/),
)

it.each([
  [undefined, null],
  ['a=b', null],
  [`a=b; ${TOKEN_COOKIE}=xyz`, 'xyz'],
  [`x${TOKEN_COOKIE}=xyz`, null],
])('the token in %j is %j', (cookie, token) => expect(tokenOf(cookie)).toBe(token))
