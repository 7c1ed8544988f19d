'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import { v7 } from 'uuid'
import { madeAtMs } from './idAfter'
import { foldEntries, type Entry, type EntryBody, type RunLog } from '@/core/trial'
import { deviceStore } from './deviceStore'
import { EntryQueue, type QueueState } from './entryQueue'
import { wire } from './wire'

export type Role = 'out there' | 'base'

export function deviceName(): string {
  const known = localStorage.getItem('device')
  if (known) return known
  const made = `device ${v7().slice(-6)}`
  localStorage.setItem('device', made)
  return made
}

export interface RunLogHandle {
  runId: string
  /** This device, as its entries name it. */
  device: string
  log: RunLog
  entries: Entry[]
  queue: QueueState
  /** Makes an entry; resolves when it is stored on this device, and only then does the log show it. */
  add: (body: EntryBody, supersedes?: string | null) => Promise<Entry>
  /** The same for several that belong together: all are stored, or none. */
  addAll: (bodies: readonly EntryBody[]) => Promise<void>
  sync: () => Promise<void>
  /** Sends what the server did not take once more. */
  tryAgain: () => Promise<void>
  ready: boolean
  /** This device's own storage cannot be used; null where it can. */
  storageTrouble: string | null
  /** The device's clock stands before the last entry by so much, ms; null where it does not. */
  clockBackMs: number | null
}

const CLOCK_SLACK_MS = 5_000
/** Others' entries are looked for this often, ms. */
const LOOK_MS = 30_000

/** A run's log on this device: its own entries and those the server and others made, folded. */
export function useRunLog(runId: string, role: Role): RunLogHandle {
  const [entries, setEntries] = useState<Entry[]>([])
  const [queueState, setQueueState] = useState<QueueState>({
    waiting: 0,
    aside: [],
    trouble: null,
    refused: false,
  })
  const [ready, setReady] = useState(false)
  const [storageTrouble, setStorageTrouble] = useState<string | null>(null)
  const [clockBackMs, setClockBack] = useState<number | null>(null)
  const queue = useRef<EntryQueue | null>(null)
  const seq = useRef(0)
  const [device] = useState(deviceName)
  /** The latest that this device's own clock has shown in an entry, and the newest id of all that it has seen, ms. */
  const ownMs = useRef(0)
  const seenMs = useRef(0)

  useEffect(() => {
    const see = (seen: readonly Entry[]) => {
      seenMs.current = seen.reduce((m, e) => Math.max(m, madeAtMs(e.id)), seenMs.current)
    }
    const q = new EntryQueue(runId, deviceStore(), wire, setQueueState, (fresh) => {
      see(fresh)
      setEntries((old) => [...old, ...fresh])
    })
    queue.current = q
    q.open()
      .then((all) => {
        setEntries(all)
        seq.current = all.reduce((m, e) => (e.device === device ? Math.max(m, e.seq) : m), 0)
        ownMs.current = all.reduce(
          (m, e) => (e.device === device ? Math.max(m, Date.parse(e.wallTime)) : m),
          0,
        )
        see(all)
        setReady(true)
      })
      .catch(() =>
        setStorageTrouble(
          'This browser lets nothing be stored on the device. Leave private browsing or free some space, then reload.',
        ),
      )
    const retry = () => void q.flush()
    window.addEventListener('online', retry)
    const look = setInterval(() => document.visibilityState === 'visible' && retry(), LOOK_MS)
    return () => {
      window.removeEventListener('online', retry)
      clearInterval(look)
      q.close()
    }
  }, [runId, device])

  const keep = useCallback(
    async (bodies: readonly { body: EntryBody; supersedes: string | null }[]) => {
      const now = Date.now()
      // A clock that was set back must not put this entry before those already made.
      if (now < ownMs.current - CLOCK_SLACK_MS) setClockBack(ownMs.current - now)
      else setClockBack(null)
      const made = bodies.map(({ body, supersedes }): Entry => {
        // What it corrects may come from a device whose clock is ahead.
        seenMs.current = Math.max(now, seenMs.current + 1)
        ownMs.current = Math.max(now, ownMs.current)
        return {
          id: v7({ msecs: seenMs.current }),
          runId,
          device,
          role,
          wallTime: new Date(now).toISOString(),
          seq: ++seq.current,
          supersedes,
          body,
        }
      })
      await queue.current!.add(...made)
      // At once, so that no tap falls between what is stored and what is shown.
      flushSync(() => setEntries((old) => [...old, ...made]))
      return made
    },
    [runId, device, role],
  )
  const add = useCallback(
    async (body: EntryBody, supersedes: string | null = null) => (await keep([{ body, supersedes }]))[0]!,
    [keep],
  )
  const addAll = useCallback(
    async (bodies: readonly EntryBody[]) => {
      await keep(bodies.map((body) => ({ body, supersedes: null })))
    },
    [keep],
  )
  const sync = useCallback(() => queue.current?.flush() ?? Promise.resolve(), [])
  const tryAgain = useCallback(() => queue.current?.tryAgain() ?? Promise.resolve(), [])
  const log = useMemo(() => foldEntries(entries), [entries])
  return {
    runId,
    device,
    log,
    entries,
    queue: queueState,
    add,
    addAll,
    sync,
    tryAgain,
    ready,
    storageTrouble,
    clockBackMs,
  }
}
