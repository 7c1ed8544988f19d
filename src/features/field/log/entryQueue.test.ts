import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { v7 } from 'uuid'
import { seededRandom, type SeededRandom } from '@/core/stats/numeric/seededRandom'
import type { Entry } from '@/core/trial'
import { foldEntries } from '@/core/trial'
import { digestOf } from '@/core/trial/idDigest'
import { DeviceDb, deviceStore, type EntryStore } from './deviceStore'
import { idAfter } from './idAfter'
import { EntryQueue, ServerRefused, type QueueState, type Wire } from './entryQueue'

const entry = (id: string, runId = 'r'): Entry => ({
  id,
  runId,
  device: 'd',
  role: 'out there',
  wallTime: '2026-05-16T08:00:00Z',
  seq: 1,
  supersedes: null,
  body: { kind: 'note', text: id },
})

/** A server that keeps what it is sent, by id. */
function server(): Wire & { held: Map<string, Entry> } {
  const held = new Map<string, Entry>()
  return {
    held,
    send: async (_run, batch) => {
      for (const e of batch) if (!held.has(e.id)) held.set(e.id, e)
      const { count, sum } = digestOf(held.keys())
      return { held: batch.map((e) => e.id), total: count, digest: sum }
    },
    fetchAfter: async (_runId, after) => {
      const all = [...held.values()]
      return {
        entries: all.slice(after, after + 2),
        upTo: Math.min(all.length, after + 2),
        more: all.length > after + 2,
        total: all.length,
        digest: digestOf(held.keys()).sum,
      }
    },
    fetchIds: async () => [...held.keys()],
  }
}

/** The same behind a proxy that drops, delays, repeats and reorders 30 % of what is sent. */
function badServer(random: SeededRandom) {
  const wire = server()
  const { send } = wire
  const late: (() => void)[] = []
  wire.send = async (run, batch) => {
    const luck = random.uniform()
    if (luck < 0.1) throw new Error('lost on the way there')
    const answer = await send(run, batch)
    if (luck < 0.2) throw new Error('lost on the way back')
    // A copy that a proxy held back arrives later, after others.
    if (luck < 0.3) late.push(() => void send(run, batch))
    return answer
  }
  return { wire, late }
}

let state: QueueState
let db: DeviceDb
let store: EntryStore
let serial = 0
const queues: EntryQueue[] = []
/** A queue of the run r that ends with its test: what it still had under way would tell the next test its state. */
function queueOf(of: EntryStore, wire: Wire, onOthers?: (fresh: Entry[]) => void) {
  const queue = new EntryQueue('r', of, wire, (s) => void (state = s), onOthers)
  queues.push(queue)
  return queue
}
beforeEach(() => {
  db = new DeviceDb(`test ${serial++}`)
  store = deviceStore(db)
})
afterEach(async () => {
  for (const queue of queues.splice(0)) queue.close()
  vi.useRealTimers()
  await db.delete()
})
const settled = (queue: EntryQueue) =>
  vi.waitFor(async () => {
    await queue.flush()
    expect(await store.countWaiting('r')).toBe(0)
  }, 20_000)

describe('the store on the device', () => {
  it('keeps what the server holds too, so that the log opens with no network', async () => {
    await store.put([entry('1')])
    await store.put([entry('2')])
    await store.put([entry('x', 'another run')])
    await store.markSent(['1'])
    expect((await store.all('r')).map((e) => e.id)).toEqual(['1', '2'])
    expect((await store.waiting('r', 10)).map((e) => e.id)).toEqual(['2'])
    expect(await store.countWaiting('r')).toBe(1)
    expect(await store.all('r')).toContainEqual(entry('1'))
  })
  it('takes the server’s word that it holds an entry that still waited here', async () => {
    await store.put([entry('1')])
    await store.addHeld([entry('1'), entry('other')])
    expect(await store.countWaiting('r')).toBe(0)
    expect(await store.all('r')).toHaveLength(2)
  })
  it('gathers a long log that the server holds into one piece, and loses or doubles none of it', async () => {
    const name = (i: number) => `e ${String(i).padStart(4, '0')}`
    const many = Array.from({ length: 700 }, (_, i) => entry(name(i)))
    await store.addHeld(many)
    expect(await db.entries.count()).toBe(0)
    await store.put([entry('mine')])
    await store.addHeld([...many.slice(0, 5), entry('late')])
    const ids = (await store.all('r')).map((e) => e.id)
    expect(ids).toHaveLength(702)
    expect(new Set(ids).size).toBe(702)
    expect(await store.countWaiting('r')).toBe(1)
    expect(await store.all('another run')).toEqual([])
  })
  it('never overwrites an entry with another of the same id', async () => {
    await store.put([entry('1')])
    await expect(store.put([{ ...entry('1'), device: 'another' }])).rejects.toThrow()
    expect((await store.all('r'))[0]!.device).toBe('d')
  })
})

describe('EntryQueue', () => {
  it('stores before it sends, and counts an entry as waiting until the server holds it', async () => {
    const wire = server()
    let stored = -1
    const send = wire.send
    wire.send = async (run, batch) => {
      stored = await store.countWaiting('r')
      return send(run, batch)
    }
    const queue = queueOf(store, wire)
    await queue.add(entry('1'))
    await settled(queue)
    expect(stored).toBe(1)
    expect(state).toEqual({ waiting: 0, aside: [], trouble: null, refused: false })
    expect(await store.all('r')).toHaveLength(1)
  })

  it('keeps all while there is no network, says how many wait, and goes on when it is back', async () => {
    const wire = server()
    const send = wire.send
    let network = false
    wire.send = async (run, batch) => {
      if (!network) throw new Error('no network')
      return send(run, batch)
    }
    const queue = queueOf(store, wire)
    await queue.add(entry('1'))
    await queue.add(entry('2'))
    await vi.waitFor(
      () => expect(state).toEqual({ waiting: 2, aside: [], trouble: 'no network', refused: false }),
      20_000,
    )
    network = true
    await settled(queue)
    expect(wire.held.size).toBe(2)
  })

  it('sends what an earlier visit left, in batches', async () => {
    const wire = server()
    const sizes: number[] = []
    const send = wire.send
    wire.send = (run, batch) => {
      sizes.push(batch.length)
      return send(run, batch)
    }
    for (let i = 0; i < 450; i++) await store.put([entry(`left ${String(i).padStart(3, '0')}`)])
    const queue = queueOf(store, wire)
    expect(await queue.open()).toHaveLength(450)
    await settled(queue)
    expect(sizes.slice(0, 3)).toEqual([200, 200, 50])
    expect(wire.held.size).toBe(450)
  })

  it('brings back what others logged of the run, once', async () => {
    const wire = server()
    wire.held.set('base 1', { ...entry('base 1'), device: 'base' })
    const others: string[] = []
    const queue = queueOf(store, wire, (fresh) => others.push(...fresh.map((e) => e.id)))
    await queue.open()
    await queue.add(entry('1'))
    await settled(queue)
    await queue.flush()
    expect(others).toEqual(['base 1'])
    expect((await store.all('r')).map((e) => e.id).sort()).toEqual(['1', 'base 1'])
    expect(wire.held.size).toBe(2)
  })

  it('an entry that is sent before the tap that made it is answered does not come back as another’s', async () => {
    const wire = server()
    const others: string[] = []
    let queue: EntryQueue | null = null
    // The store holds it, and an exchange under way sends it, before the one who stores hears of it.
    const slow: EntryStore = {
      ...store,
      put: async (entries) => {
        await store.put(entries)
        // One may be under way that has looked for what waits already; the second begins after it.
        await queue!.flush()
        await queue!.flush()
      },
    }
    queue = queueOf(slow, wire, (fresh) => others.push(...fresh.map((e) => e.id)))
    await queue.open()
    await settled(queue)
    await queue.add(entry('1'))
    await settled(queue)
    expect([...wire.held.keys()]).toEqual(['1'])
    expect(others).toEqual([])
    expect(state.waiting).toBe(0)
  })

  it('an entry that could not be stored is not looked for at the server', async () => {
    const wire = server()
    const full: EntryStore = { ...store, put: async () => Promise.reject(new Error('quota')) }
    let asked = 0
    wire.fetchIds = async () => {
      asked++
      return [...wire.held.keys()]
    }
    const queue = queueOf(full, wire)
    await expect(queue.add(entry('1'))).rejects.toThrow('quota')
    await queue.flush()
    expect(asked).toBe(0)
  })

  it('a run that is gone, or a server that is too old, is said and not asked again', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    let tries = 0
    const wire: Wire = {
      send: async () => {
        tries++
        throw new ServerRefused('This run is no longer on the server.')
      },
      fetchAfter: async () => ({ entries: [], upTo: 0, more: false, total: 0 }),
      fetchIds: async () => [],
    }
    const queue = queueOf(store, wire)
    await queue.add(entry('1'))
    await queue.flush()
    await vi.advanceTimersByTimeAsync(120_000)
    expect(tries).toBeLessThanOrEqual(2)
    expect(state).toMatchObject({
      waiting: 1,
      refused: true,
      trouble: 'This run is no longer on the server.',
    })
    expect(await store.all('r')).toHaveLength(1)
  })

  it('one entry that the server does not take is set aside with the reason; the others go, and it can be tried again', async () => {
    const wire = server()
    const send = wire.send
    let strict = true
    wire.send = async (run, batch) => {
      const bad = strict ? batch.filter((e) => e.id === 'long') : []
      const answer = await send(
        run,
        batch.filter((e) => !bad.includes(e)),
      )
      return {
        ...answer,
        refused: bad.map((e) => ({ id: e.id, why: 'remark must be at most 500 characters' })),
      }
    }
    const queue = queueOf(store, wire)
    await queue.add(entry('1'), entry('long'), entry('2'))
    await settled(queue)
    const aside = [{ id: 'long', why: 'remark must be at most 500 characters' }]
    expect(state).toEqual({ waiting: 1, aside, trouble: null, refused: false })
    expect([...wire.held.keys()]).toEqual(['1', '2'])
    expect(await store.all('r')).toHaveLength(3)
    strict = false
    await queue.tryAgain()
    expect(state).toMatchObject({ waiting: 0, aside: [] })
    expect(wire.held.has('long')).toBe(true)
  })

  it('what a server lost is sent again: an older database was put back, and one entry swapped for another', async () => {
    const wire = server()
    const queue = queueOf(store, wire)
    for (let i = 0; i < 320; i++) await store.put([entry(`e ${String(i).padStart(3, '0')}`)])
    await queue.open()
    await settled(queue)
    expect(wire.held.size).toBe(320)
    // Ten are gone; as many as another device made in their place would hide that from a count.
    for (const id of [...wire.held.keys()].slice(300, 310)) wire.held.delete(id)
    for (let i = 0; i < 10; i++) wire.held.set(`other ${i}`, entry(`other ${i}`))
    const back = () =>
      vi.waitFor(async () => {
        await queue.flush()
        expect(wire.held.size).toBe(330)
      }, 20_000)
    await back()
    await vi.waitFor(async () => expect(await store.all('r')).toHaveLength(330), 20_000)
    expect(state.waiting).toBe(0)
    wire.held.clear()
    await back()
  })

  it('a full device is the caller’s to hear of', async () => {
    const full: EntryStore = { ...store, put: async () => Promise.reject(new Error('quota')) }
    const queue = queueOf(full, server())
    await expect(queue.add(entry('1'))).rejects.toThrow('quota')
  })

  it('a wire that drops, repeats, delays and reorders 30 % of the requests ends with exactly the entries made', async () => {
    const { wire, late } = badServer(seededRandom(11))
    const queue = queueOf(store, wire)
    await queue.open()
    const made: string[] = []
    for (let i = 0; i < 1000; i++) {
      const id = v7()
      made.push(id)
      await queue.add(entry(id))
      if (i % 97 === 0)
        late
          .splice(0)
          .reverse()
          .forEach((f) => f())
    }
    await settled(queue)
    late.splice(0).forEach((f) => f())
    expect([...wire.held.keys()].sort()).toEqual([...made].sort())
    expect((await store.all('r')).length).toBe(1000)
  }, 60_000)

  it('three devices whose clocks are behind, ahead and jump, over such a wire, end with one log, and each correction holds', async () => {
    const random = seededRandom(16)
    const { wire, late } = badServer(random)
    const clocks = [() => -7_200_000, () => 86_400_000, () => Math.round((random.uniform() - 0.5) * 1e8)]
    const crew = await Promise.all(
      clocks.map(async (offset, i) => {
        const own = deviceStore(new DeviceDb(`three ${serial} ${i}`))
        const known: Entry[] = []
        const queue = queueOf(own, wire, (fresh) => known.push(...fresh))
        await queue.open()
        return { offset, own, known, queue, name: `device ${i}` }
      }),
    )
    const newest = (known: Entry[]) => known.reduce((id, e) => (e.id > id ? e.id : id), '')
    const corrected = new Set<string>()
    for (let i = 0; i < 600; i++) {
      const { offset, known, queue, name } = crew[i % 3]!
      const open = known.filter((e) => e.supersedes === null && !corrected.has(e.id))
      const old = i % 5 === 4 ? open[random.below(open.length)] : undefined
      if (old) corrected.add(old.id)
      const id = idAfter(newest(known), 1.78e12 + i * 1000 + offset())
      const body = { kind: 'note' as const, text: old ? `instead of ${old.id}` : id }
      const made = { ...entry(id), device: name, supersedes: old?.id ?? null, body }
      known.push(made)
      await queue.add(made)
      if (i % 20 === 0) await queue.flush()
      if (i % 97 === 0) for (const f of late.splice(0).reverse()) f()
    }
    await vi.waitFor(
      async () => {
        for (const { queue } of crew) await queue.flush()
        expect(wire.held.size).toBe(600)
        for (const { own } of crew) expect(await own.all('r')).toHaveLength(600)
      },
      { timeout: 30_000 },
    )
    expect(corrected.size).toBeGreaterThan(50)
    const logs = await Promise.all(
      crew.map(async ({ own }) => foldEntries(random.shuffled(await own.all('r')))),
    )
    for (const log of logs) {
      const texts = log.notes.map((n) => n.text)
      for (const id of corrected) {
        expect(texts).toContain(`instead of ${id}`)
        expect(texts).not.toContain(id)
      }
      expect([...texts].sort()).toEqual(logs[0]!.notes.map((n) => n.text).sort())
    }
  }, 60_000)
})
