import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { v7 } from 'uuid'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { checkOf } from '@/core/testing/plans'
import type { Entry } from '@/core/trial'
import { freshDatabase } from '@/data/testing/database'
import {
  addTrial,
  appendEntries,
  heldDigest,
  idsOf,
  entriesAfter,
  entriesOf,
  openTrial,
  planOf,
  startRun,
  type Db,
} from '@/data'
import { killAgainAndAgain } from '../../../../bench/killed'
import { DeviceDb, deviceStore } from './deviceStore'
import { EntryQueue, type Wire } from './entryQueue'
import { messageOf } from '@/core/outcome'
import { readEntries } from '@/core/trial/readLog'

let db: Db
let runId: string
beforeEach(() => {
  db = freshDatabase().db
  const trial = addTrial(db, 'Wet hill', '', 1)
  runId = startRun(db, trial, 'Run', planOf(openTrial(db, trial)!), {
    note: '',
    fixedBeforehand: false,
    imported: false,
  })
})

const entry = (device: string, seq: number): Entry => ({
  id: v7(),
  runId,
  device,
  role: 'out there',
  wallTime: new Date().toISOString(),
  seq,
  supersedes: null,
  body: { kind: 'check', ...checkOf(`m${seq % 30}`, 'l', '5 by 7') },
})

/** The server's own code behind a proxy that drops, delays, repeats and reorders 30 % of the requests. */
function badWire(seed: number): { wire: Wire; settle: () => void } {
  const random = seededRandom(seed)
  const late: (() => void)[] = []
  const serve = (batch: readonly Entry[]) => {
    // As it goes over the wire: as JSON, checked at the border.
    const entries = readEntries(JSON.parse(JSON.stringify({ protocol: 2, entries: batch })), runId)
    if (!entries.ok) throw new Error(messageOf(entries))
    appendEntries(db, entries.value.entries)
    const { count, sum } = heldDigest(db, runId)
    return { held: entries.value.entries.map((e) => e.id), total: count, digest: sum }
  }
  return {
    wire: {
      send: async (_run, batch) => {
        const luck = random.uniform()
        if (luck < 0.08) throw new Error('dropped on the way there')
        if (luck < 0.15) {
          // It arrives long after the device gave it up, and after others.
          late.push(() => serve(batch))
          throw new Error('delayed')
        }
        const answer = serve(batch)
        if (luck < 0.22) throw new Error('dropped on the way back')
        if (luck < 0.3) late.push(() => serve(batch))
        return answer
      },
      fetchAfter: async (_runId, after) => {
        const { count, sum } = heldDigest(db, runId)
        return { ...entriesAfter(db, runId, after, 3), total: count, digest: sum }
      },
      fetchIds: async () => idsOf(db, runId),
    },
    settle: () =>
      late
        .splice(0)
        .reverse()
        .forEach((f) => f()),
  }
}

describe('nothing is lost', () => {
  it('1,000 entries through a proxy that drops, delays, repeats and reorders 30 % of the requests: exactly those 1,000', async () => {
    const device = new DeviceDb('proxy')
    const store = deviceStore(device)
    const { wire, settle } = badWire(3)
    const queue = new EntryQueue(runId, store, wire, () => undefined)
    await queue.open()
    const made: string[] = []
    for (let i = 0; i < 1000; i++) {
      const e = entry('a', i)
      made.push(e.id)
      await queue.add(e)
      if (i % 83 === 0) settle()
    }
    await vi.waitFor(async () => {
      await queue.flush()
      expect(await store.countWaiting(runId)).toBe(0)
    }, 30_000)
    settle()
    queue.close()
    expect(entriesOf(db, runId).map((e) => e.id)).toEqual([...made].sort())
    await device.delete()
  }, 90_000)

  it('two devices log their own halves and each ends with both', async () => {
    const [phone, desk] = [new DeviceDb('phone'), new DeviceDb('desk')]
    const queues = [phone, desk].map(
      (d, i) => new EntryQueue(runId, deviceStore(d), badWire(20 + i).wire, () => undefined),
    )
    for (let i = 0; i < 40; i++) {
      await queues[0]!.add(entry('phone', i))
      await queues[1]!.add(entry('desk', i))
    }
    await vi.waitFor(async () => {
      await Promise.all(queues.map((q) => q.flush()))
      for (const d of [phone, desk]) expect(await deviceStore(d).all(runId)).toHaveLength(80)
    }, 30_000)
    queues.forEach((q) => q.close())
    const ids = async (d: DeviceDb) => (await deviceStore(d).all(runId)).map((e) => e.id).sort()
    expect(await ids(phone)).toEqual(await ids(desk))
    expect(await ids(phone)).toEqual(entriesOf(db, runId).map((e) => e.id))
    await Promise.all([phone.delete(), desk.delete()])
  }, 60_000)

  it('a server killed fifty times while it writes has every entry that it acknowledged', async () => {
    const { acknowledged, missing, intact } = await killAgainAndAgain(50)
    expect(acknowledged).toBeGreaterThan(200)
    expect(missing).toBe(0)
    expect(intact).toBe('ok')
  }, 600_000)
})
