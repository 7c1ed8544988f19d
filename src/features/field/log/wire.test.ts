import { afterEach, describe, expect, it, vi } from 'vitest'
import type { Entry } from '@/core/trial'
import { ServerRefused } from './entryQueue'
import { LOG_PROTOCOL } from '@/core/trial'
import { fetchPack, wire } from './wire'

const entry: Entry = {
  id: '01970000-0000-7000-8000-000000000001',
  runId: 'r',
  device: 'd',
  role: 'out there',
  wallTime: '2026-05-16T08:00:00Z',
  seq: 1,
  supersedes: null,
  body: { kind: 'note', text: 'x' },
}

/** A server that answers once, and what it was asked. */
function answering(status: number, body: string): { path: string; init: RequestInit }[] {
  const asked: { path: string; init: RequestInit }[] = []
  vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
    asked.push({ path, init })
    return new Response(body, { status })
  })
  return asked
}
const failure = async (work: Promise<unknown>): Promise<Error> => {
  try {
    await work
  } catch (e) {
    return e as Error
  }
  throw new Error('it did not fail')
}

afterEach(() => vi.unstubAllGlobals())

describe('the way to the server', () => {
  it('posts a batch with the protocol that it is written in, past every cache, and with an end to its patience', async () => {
    const asked = answering(200, JSON.stringify({ held: [entry.id], total: 4 }))
    expect(await wire.send('r', [entry])).toEqual({ held: [entry.id], total: 4 })
    const [{ path, init }] = asked as [(typeof asked)[number]]
    expect(path).toBe('/api/runs/r/entries')
    expect(init).toMatchObject({ method: 'POST', cache: 'no-store' })
    expect(init.signal).toBeInstanceOf(AbortSignal)
    expect(JSON.parse(init.body as string)).toEqual({
      protocol: LOG_PROTOCOL,
      entries: [entry],
      status: { sentAt: expect.stringMatching(/Z$/) as string, waiting: 0 },
    })
  })

  it('a refusal is final and says why in the server’s words', async () => {
    answering(409, JSON.stringify({ message: 'This server is older than the device.' }))
    const e = await failure(wire.send('r', [entry]))
    expect(e).toBeInstanceOf(ServerRefused)
    expect(e.message).toBe('This server is older than the device.')
  })

  it('a fault of the server is worth another try', async () => {
    answering(503, 'out of order')
    const e = await failure(wire.send('r', [entry]))
    expect(e).not.toBeInstanceOf(ServerRefused)
    expect(e.message).toBe('The server answered 503')
  })

  it('a network that is not there is worth another try', async () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('Failed to fetch')
    })
    const e = await failure(wire.send('r', []))
    expect(e).not.toBeInstanceOf(ServerRefused)
  })

  it('fetches what came to the server after others, and what a run needs', async () => {
    const page = { entries: [entry], upTo: 7, more: false, total: 1 }
    const paged = answering(200, JSON.stringify(page))
    expect(await wire.fetchAfter('r', 3)).toEqual(page)
    expect(paged[0]!.path).toBe('/api/runs/r/entries?after=3')
    const asked = answering(200, JSON.stringify({ pack: { runId: 'r' } }))
    expect(await fetchPack('r')).toEqual({ runId: 'r' })
    expect(asked[0]!.path).toBe('/api/runs/r?pack')
  })

  it('a run that is gone is a refusal', async () => {
    answering(404, JSON.stringify({ message: 'This run is no longer on the server.' }))
    const e = await failure(fetchPack('r'))
    expect(e).toBeInstanceOf(ServerRefused)
    expect(e.message).toContain('no longer on the server')
  })
})
