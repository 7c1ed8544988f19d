'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import { foldEntries, type Entry, type EntryBody, type RunLog } from '@/core/trial'
import { deviceStore } from './deviceStore'
import { EntryQueue, type QueueState } from './entryQueue'
import { sendEntries } from './sendEntries'

function deviceName(): string {
  const known = localStorage.getItem('device')
  if (known) return known
  const made = `device ${v7().slice(-6)}`
  localStorage.setItem('device', made)
  return made
}

export interface RunLogHandle {
  log: RunLog
  queue: QueueState
  /** Makes an entry; resolves when it is stored on this device, and only then does the log show it. */
  add: (body: EntryBody, supersedes?: string | null) => Promise<Entry>
  ready: boolean
  /** This device's own storage cannot be used; null where it can. */
  storageTrouble: string | null
}

/** A run's log on this device: the server's entries and those that still wait here, folded. */
export function useRunLog(runId: string, held: Entry[]): RunLogHandle {
  const [entries, setEntries] = useState(held)
  const [queueState, setQueueState] = useState<QueueState>({ waiting: 0, trouble: null })
  const [ready, setReady] = useState(false)
  const [storageTrouble, setStorageTrouble] = useState<string | null>(null)
  const queue = useRef<EntryQueue | null>(null)
  const seq = useRef(held.length)

  useEffect(() => {
    const q = new EntryQueue(runId, deviceStore(), sendEntries, setQueueState)
    queue.current = q
    q.open()
      .then((left) => {
        setEntries((old) => [...old, ...left])
        seq.current += left.length
        setReady(true)
      })
      .catch(() =>
        setStorageTrouble(
          'This browser lets nothing be stored on the device. Leave private browsing, then reload.',
        ),
      )
    const retry = () => void q.flush()
    window.addEventListener('online', retry)
    return () => {
      window.removeEventListener('online', retry)
      q.close()
    }
  }, [runId])

  const add = useCallback(
    async (body: EntryBody, supersedes: string | null = null) => {
      const entry: Entry = {
        id: v7(),
        runId,
        device: deviceName(),
        role: 'out there',
        wallTime: new Date().toISOString(),
        seq: ++seq.current,
        supersedes,
        body,
      }
      await queue.current!.add(entry)
      setEntries((old) => [...old, entry])
      return entry
    },
    [runId],
  )
  const log = useMemo(() => foldEntries(entries), [entries])
  return { log, queue: queueState, add, ready, storageTrouble }
}
