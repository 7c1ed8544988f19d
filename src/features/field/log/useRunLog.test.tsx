// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { act, cleanup, configure, renderHook, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { v7 } from 'uuid'
import { checkOf } from '@/core/testing/plans'
import type { Entry, EntryBody } from '@/core/trial'
import { useRunLog } from './useRunLog'

// A busy machine takes longer than the second that is usual.
configure({ asyncUtilTimeout: 20_000 })

const check = (mark: string): EntryBody => ({ kind: 'check', ...checkOf(mark, 'l0', '5 by 7') })

/** What the server holds; away, every request fails as a lost network does. */
const server = { held: new Map<string, Entry>(), away: false }
let runId: string
let clock: number
beforeEach(() => {
  server.held.clear()
  server.away = false
  runId = v7()
  clock = Date.parse('2026-05-16T08:00:00Z')
  vi.spyOn(Date, 'now').mockImplementation(() => clock)
  const ours = `/api/runs/${runId}/`
  vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
    // What the run of the test before this one still has under way is no business of this one's.
    if (server.away || !path.startsWith(ours)) throw new TypeError('Failed to fetch')
    if (path.endsWith('?ids')) return Response.json({ ids: [...server.held.keys()] })
    if (init?.method !== 'POST') {
      const entries = [...server.held.values()]
      return Response.json({ entries, upTo: entries.length, more: false, total: entries.length })
    }
    const { entries } = JSON.parse(init.body as string) as { entries: Entry[] }
    for (const e of entries) server.held.set(e.id, e)
    return Response.json({ held: entries.map((e) => e.id), total: server.held.size })
  })
})
afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

async function opened() {
  const hook = renderHook(() => useRunLog(runId, 'out there'))
  await waitFor(() => expect(hook.result.current.ready).toBe(true))
  return hook
}

const add = (hook: Awaited<ReturnType<typeof opened>>, body: EntryBody, supersedes?: string) =>
  act(() => hook.result.current.add(body, supersedes))

describe('a run’s log on the device', () => {
  it('shows an entry once it is stored, and sends it', async () => {
    const hook = await opened()
    await add(hook, check('m0'))
    expect(hook.result.current.log.checks).toHaveLength(1)
    await waitFor(() => expect(hook.result.current.queue.waiting).toBe(0))
    expect(server.held.size).toBe(1)
  })

  it('with the server away keeps counting what waits, over a reload, and sends all of it afterwards', async () => {
    server.away = true
    const first = await opened()
    await add(first, check('m0'))
    await add(first, check('m1'))
    first.unmount()

    const second = await opened()
    expect(second.result.current.log.checks).toHaveLength(2)
    const third = await add(second, check('m2'))
    expect(third.seq).toBe(3)
    expect(second.result.current.queue.waiting).toBe(3)
    server.away = false
    await act(() => second.result.current.sync())
    expect(second.result.current.queue.waiting).toBe(0)
    expect([...server.held.values()].map((e) => e.seq)).toEqual([1, 2, 3])
  })

  it('a clock set back does not put an entry before those already made, and says by how much', async () => {
    const hook = await opened()
    const before = await add(hook, check('m0'))
    clock -= 3_600_000
    const after = await add(hook, check('m1'))
    expect(after.id > before.id).toBe(true)
    expect(after.wallTime).toBe('2026-05-16T07:00:00.000Z')
    expect(hook.result.current.clockBackMs).toBeGreaterThanOrEqual(3_600_000)
    clock += 7_200_000
    await add(hook, check('m2'))
    expect(hook.result.current.clockBackMs).toBeNull()
  })

  it('still knows after a reload that the clock was set back', async () => {
    const first = await opened()
    const before = await add(first, check('m0'))
    first.unmount()
    clock -= 86_400_000
    const second = await opened()
    const after = await add(second, check('m1'))
    expect(after.id > before.id).toBe(true)
    expect(second.result.current.clockBackMs).toBeGreaterThan(86_000_000)
  })

  it('what is void with what takes its place is stored together or not at all', async () => {
    const hook = await opened()
    const made = await add(hook, check('m0'))
    const bad = { kind: 'note', text: () => 'no one stores a function' } as unknown as EntryBody
    await expect(
      act(() =>
        hook.result.current.addAll([{ kind: 'void', entryId: made.id, reason: 'x' } as EntryBody, bad]),
      ),
    ).rejects.toThrow()
    expect(hook.result.current.entries).toHaveLength(1)
    hook.unmount()
    const again = await opened()
    expect(again.result.current.entries).toHaveLength(1)
  })

  it('another device’s entries come in beside its own', async () => {
    const other: Entry = {
      id: v7({ msecs: clock - 60_000 }),
      runId,
      device: 'another',
      role: 'base',
      wallTime: '2026-05-16T07:59:00Z',
      seq: 9,
      supersedes: null,
      body: check('m5'),
    }
    server.held.set(other.id, other)
    const hook = await opened()
    await waitFor(() => expect(hook.result.current.log.checks).toHaveLength(1))
    // Its own count begins at one all the same.
    expect((await add(hook, check('m0'))).seq).toBe(1)
    expect(hook.result.current.log.checks).toHaveLength(2)
  })

  it('comes after the entries of a device whose clock is ahead, and does not take its own clock to be behind', async () => {
    const ahead = clock + 600_000
    const other: Entry = {
      id: v7({ msecs: ahead }),
      runId,
      device: 'another',
      role: 'base',
      wallTime: new Date(ahead).toISOString(),
      seq: 1,
      supersedes: null,
      body: check('m5'),
    }
    server.held.set(other.id, other)
    const hook = await opened()
    await waitFor(() => expect(hook.result.current.log.checks).toHaveLength(1))
    const first = await add(hook, check('m0'))
    const second = await add(hook, check('m1'))
    expect(first.id > other.id && second.id > first.id).toBe(true)
    expect(second.wallTime).toBe('2026-05-16T08:00:00.000Z')
    expect(hook.result.current.clockBackMs).toBeNull()
    hook.unmount()
    const again = await opened()
    await add(again, check('m2'))
    expect(again.result.current.clockBackMs).toBeNull()
  })

  it('where nothing can be stored says so, and what to do', async () => {
    const broken = vi.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('not allowed', 'SecurityError')
    })
    vi.resetModules()
    const fresh = await import('./useRunLog')
    const hook = renderHook(() => fresh.useRunLog(runId, 'out there'))
    await waitFor(() => expect(hook.result.current.storageTrouble).toMatch(/Leave private browsing/))
    expect(hook.result.current.ready).toBe(false)
    broken.mockRestore()
  })
})
