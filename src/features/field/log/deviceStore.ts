'use client'

import Dexie, { type Table } from 'dexie'
import type { Entry } from '@/core/trial'
import type { RefusedEntry } from '@/core/trial/readLog'
import type { RunPack } from './runPack'

interface StoredEntry extends Entry {
  /** 1 once the server holds it; 2 where it does not take it. */
  sent: 0 | 1 | 2
  /** Why it does not. */
  why?: string
}

/** A photo or a sound made on this device; its bytes lie in parts, so that a crash loses the last second at most. */
export interface StoredClip {
  id: string
  runId: string
  type: string
  madeAt: string
  /** 0 while it is being recorded. */
  whole: 0 | 1
  sent: 0 | 1
}

interface ClipPart {
  clipId: string
  n: number
  bytes: ArrayBuffer
}

/** Entries of a run that the server holds, in one piece: a long log opens several times as fast as from a row each. */
interface HeldEntries {
  runId: string
  entries: Entry[]
}

interface StoredPack {
  id: string
  pack: RunPack
  savedAt: string
}

export class DeviceDb extends Dexie {
  entries!: Table<StoredEntry, string>
  runs!: Table<StoredPack, string>
  held!: Table<HeldEntries, string>
  clips!: Table<StoredClip, string>
  clipParts!: Table<ClipPart, [string, number]>

  constructor(name = 'even-reach') {
    super(name)
    this.version(1).stores({ entries: 'id, runId' })
    this.version(2)
      .stores({ entries: 'id, runId, [runId+sent]', runs: 'id' })
      .upgrade((tx) => tx.table('entries').toCollection().modify({ sent: 0 }))
    this.version(3).stores({ flushes: 'id' })
    this.version(4).stores({ clips: 'id, runId', clipParts: '[clipId+n], clipId' })
    this.version(5).stores({ held: 'runId' })
  }

  /** What one tap makes, in one transaction, committed without waiting for its own success events. */
  async addAtOnce(entries: readonly StoredEntry[]): Promise<void> {
    if (!this.isOpen()) await this.open()
    const tx = this.backendDB().transaction('entries', 'readwrite')
    const done = new Promise<void>((resolve, reject) => {
      tx.oncomplete = () => resolve()
      tx.onabort = () => reject(tx.error ?? new Error('The device did not store it'))
    })
    const store = tx.objectStore('entries')
    try {
      for (const entry of entries) store.add(entry)
      tx.commit()
    } catch (e) {
      // Left alone, the browser would commit those before the one that cannot be stored.
      done.catch(() => undefined)
      tx.abort()
      throw e
    }
    await done
  }

  private flushing = false

  /**
   * Has the browser write what was committed before through to the disk. A transaction that is complete
   * survives reload, crash and closing; this makes it survive a flat battery too, some ten milliseconds
   * later. Only one runs at a time.
   */
  flushToDisk(): void {
    if (this.flushing || !this.isOpen()) return
    this.flushing = true
    const tx = this.backendDB().transaction('flushes', 'readwrite', { durability: 'strict' })
    tx.objectStore('flushes').put({ id: 'last', at: Date.now() })
    tx.oncomplete = tx.onabort = () => {
      this.flushing = false
    }
  }
}

let db: DeviceDb | null = null
export function deviceDb(): DeviceDb {
  db ??= new DeviceDb()
  return db
}

/** Where the entries of runs are kept on this device, those the server holds too: the log opens with no network. */
export interface EntryStore {
  /** All of them or none. */
  put(entries: readonly Entry[]): Promise<void>
  /** Entries of one run that the server or another device made; those already here stay as they are. */
  addHeld(entries: readonly Entry[]): Promise<void>
  all(runId: string): Promise<Entry[]>
  waiting(runId: string, most: number): Promise<Entry[]>
  countWaiting(runId: string): Promise<number>
  markSent(ids: readonly string[]): Promise<void>
  /** The server does not take these: they stay here, and the others go on. */
  setAside(refused: readonly RefusedEntry[]): Promise<void>
  /** Those that were set aside, and why. */
  aside(runId: string): Promise<RefusedEntry[]>
  /** What was set aside waits again. */
  tryAgain(runId: string): Promise<void>
  /** The server does not hold these any more: they wait again. */
  markLost(runId: string, ids: readonly string[]): Promise<void>
}

/** More sent rows than this are put together into one piece. */
const MAX_SENT_ROWS = 300

/**
 * Adds entries to the one piece of a run. Within a transaction over both tables, so that none is ever in neither place.
 */
async function putHeld(d: DeviceDb, runId: string, entries: readonly Entry[]): Promise<void> {
  const before = (await d.held.get(runId))?.entries ?? []
  const known = new Set(before.map((e) => e.id))
  const fresh = entries.filter((e) => !known.has(e.id))
  if (fresh.length > 0) await d.held.put({ runId, entries: [...before, ...fresh] })
  const taken = new Set(entries.map((e) => e.id))
  const rows = await d.entries.where('runId').equals(runId).primaryKeys()
  await d.entries.bulkDelete(rows.filter((id) => taken.has(id)))
}

/** Puts the rows that the server holds into the one piece, once they are many. */
async function gather(d: DeviceDb, runId: string): Promise<void> {
  await d.transaction('rw', d.entries, d.held, async () => {
    const sent = d.entries.where('[runId+sent]').equals([runId, 1])
    if ((await sent.count()) > MAX_SENT_ROWS) await putHeld(d, runId, (await sent.toArray()).map(bare))
  })
}

const bare = ({ sent: _sent, why: _why, ...entry }: StoredEntry): Entry => entry

/** The store in this browser's IndexedDB. */
export function deviceStore(d: DeviceDb = deviceDb()): EntryStore {
  return {
    put: async (entries) => {
      await d.addAtOnce(entries.map((e) => ({ ...e, sent: 0 })))
      d.flushToDisk()
    },
    addHeld: async (entries) => {
      const [first] = entries
      if (first && entries.length > MAX_SENT_ROWS)
        return d.transaction('rw', d.entries, d.held, () => putHeld(d, first.runId, entries))
      await d.transaction('rw', d.entries, async () => {
        const known = await d.entries.bulkGet(entries.map((e) => e.id))
        await d.entries.bulkPut(
          entries.flatMap((e, i): StoredEntry[] => (known[i]?.sent === 1 ? [] : [{ ...e, sent: 1 }])),
        )
      })
      if (first) await gather(d, first.runId)
    },
    all: (runId) =>
      d.transaction('r', d.entries, d.held, async () => {
        const [held, rows] = await Promise.all([
          d.held.get(runId),
          d.entries.where('runId').equals(runId).toArray(),
        ])
        if (!held) return rows.map(bare)
        const apart = new Set(rows.map((e) => e.id))
        return [...held.entries.filter((e) => !apart.has(e.id)), ...rows.map(bare)]
      }),
    waiting: async (runId, most) =>
      (await d.entries.where('[runId+sent]').equals([runId, 0]).limit(most).toArray()).map(bare),
    countWaiting: (runId) => d.entries.where('[runId+sent]').equals([runId, 0]).count(),
    markSent: async (ids) => {
      await d.transaction('rw', d.entries, () =>
        d.entries
          .where('id')
          .anyOf([...ids])
          .modify({ sent: 1 }),
      )
      const first = ids[0] === undefined ? undefined : await d.entries.get(ids[0])
      if (first) await gather(d, first.runId)
    },
    setAside: async (refused) => {
      const why = new Map(refused.map((r) => [r.id, r.why]))
      await d.entries
        .where('id')
        .anyOf([...why.keys()])
        .modify((e) => {
          e.sent = 2
          e.why = why.get(e.id) ?? ''
        })
    },
    aside: async (runId) =>
      (await d.entries.where('[runId+sent]').equals([runId, 2]).toArray()).map(({ id, why = '' }) => ({
        id,
        why,
      })),
    tryAgain: async (runId) => {
      await d.entries.where('[runId+sent]').equals([runId, 2]).modify({ sent: 0 })
    },
    markLost: (runId, ids) =>
      d.transaction('rw', d.entries, d.held, async () => {
        const lost = new Set(ids)
        const piece = await d.held.get(runId)
        const again = piece?.entries.filter((e) => lost.has(e.id)) ?? []
        if (piece && again.length > 0)
          await d.held.put({ runId, entries: piece.entries.filter((e) => !lost.has(e.id)) })
        await d.entries.bulkPut(again.map((e): StoredEntry => ({ ...e, sent: 0 })))
        await d.entries
          .where('id')
          .anyOf([...lost])
          .modify({ sent: 0 })
      }),
  }
}

/** Keeps what a run needs, so that it opens with no network. */
export async function keepPack(pack: RunPack): Promise<void> {
  await deviceDb().runs.put({ id: pack.runId, pack, savedAt: new Date().toISOString() })
}

export async function keptPack(runId: string): Promise<RunPack | null> {
  return (await deviceDb().runs.get(runId))?.pack ?? null
}

export async function keptPacks(): Promise<StoredPack[]> {
  return deviceDb().runs.toArray()
}

/** Entries that are on this device only, over all runs. */
export async function waitingByRun(): Promise<Map<string, number>> {
  const counts = new Map<string, number>()
  await deviceDb()
    .entries.filter((e) => e.sent !== 1)
    .each((e) => {
      counts.set(e.runId, (counts.get(e.runId) ?? 0) + 1)
    })
  return counts
}
