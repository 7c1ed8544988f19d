import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Entry } from '@/core/trial'
import { EntryQueue, type EntryStore, type QueueState } from './entryQueue'

const entry = (id: string): Entry => ({
  id, runId: 'r', device: 'd', role: 'out there', wallTime: '2026-05-16T08:00:00Z', seq: 1, supersedes: null,
  body: { kind: 'note', text: id },
}) // prettier-ignore

function memoryStore(): EntryStore & { held: Map<string, Entry> } {
  const held = new Map<string, Entry>()
  return {
    held,
    put: async (e) => void held.set(e.id, e),
    waiting: async (runId) => [...held.values()].filter((e) => e.runId === runId),
    remove: async (ids) => ids.forEach((id) => held.delete(id)),
  }
}

describe('EntryQueue', () => {
  let state: QueueState
  const watch = (s: QueueState) => (state = s)
  beforeEach(() => vi.useFakeTimers())
  afterEach(() => vi.useRealTimers())

  it('stores before it sends, and forgets only what the server holds', async () => {
    const store = memoryStore()
    let stored = -1
    const queue = new EntryQueue('r', store, async (_run, batch) => {
      stored = store.held.size
      return batch.map((e) => e.id)
    }, watch) // prettier-ignore
    await queue.add(entry('1'))
    await vi.advanceTimersByTimeAsync(1)
    expect(stored).toBe(1)
    expect(store.held.size).toBe(0)
    expect(state).toEqual({ waiting: 0, trouble: null })
  })

  it('keeps all while there is no network, tries again with back-off, and says how many wait', async () => {
    const store = memoryStore()
    let tries = 0
    let network = false
    const queue = new EntryQueue('r', store, async (_run, batch) => {
      tries++
      if (!network) throw new Error('no network')
      return batch.map((e) => e.id)
    }, watch) // prettier-ignore
    await queue.add(entry('1'))
    await queue.add(entry('2'))
    await vi.advanceTimersByTimeAsync(10)
    expect(state).toEqual({ waiting: 2, trouble: 'no network' })
    await vi.advanceTimersByTimeAsync(8_000)
    expect(tries).toBeGreaterThan(2)
    expect(tries).toBeLessThan(7)
    network = true
    await queue.flush()
    expect(store.held.size).toBe(0)
    expect(state.waiting).toBe(0)
    queue.close()
  })

  it('sends what an earlier visit left', async () => {
    const store = memoryStore()
    await store.put(entry('left'))
    const sent: string[] = []
    const queue = new EntryQueue('r', store, async (_run, batch) => {
      sent.push(...batch.map((e) => e.id))
      return batch.map((e) => e.id)
    }, watch) // prettier-ignore
    expect((await queue.open()).map((e) => e.id)).toEqual(['left'])
    await vi.advanceTimersByTimeAsync(1)
    expect(sent).toEqual(['left'])
  })

  it('a full device is the caller’s to hear of', async () => {
    const store = { ...memoryStore(), put: async () => Promise.reject(new Error('quota')) }
    const queue = new EntryQueue('r', store, async () => [], watch)
    await expect(queue.add(entry('1'))).rejects.toThrow('quota')
  })
})
