'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { RecordedSound } from './soundRecorder'

/** As often as others' entries are looked for, ms. */
const LOOK_MS = 30_000

export interface Clips {
  /** Photos and sounds that are only on this device. */
  waiting: number
  /** Why the server will not take one of them; null where it takes all. */
  refused: string | null
  /** Looks again what waits, and sends it. */
  send: () => void
}

/**
 * Sends photos and sounds after the entries; counts those that are only here.
 * @param ready the log can take entries
 * @param onStray a recording that a crash cut off, whole up to there
 */
export function useClips(runId: string, ready: boolean, onStray: (found: RecordedSound) => void): Clips {
  const [waiting, setWaiting] = useState(0)
  const [refused, setRefused] = useState<string | null>(null)
  const send = useCallback(() => {
    void (async () => {
      const { sendClips, waitingClips } = await import('./clipStore')
      const { putMedia } = await import('../log/wire')
      const count = async () => setWaiting((await waitingClips(runId)).length)
      try {
        await count()
        setRefused(await sendClips(runId, (clip, blob) => putMedia(runId, clip.id, blob)))
      } catch {
        // No network, or a full server; it waits, and the screen says so.
      }
      await count().catch(() => undefined)
    })()
  }, [runId])
  const tellStray = useRef(onStray)
  useEffect(() => {
    tellStray.current = onStray
  })
  useEffect(() => {
    if (!ready) return
    void (async () => {
      const { closeStrayClips } = await import('./clipStore')
      for (const { id, type, madeAt, seconds } of await closeStrayClips(runId))
        tellStray.current({ mediaId: id, type, seconds, startedAt: madeAt })
      send()
    })().catch(() => undefined)
  }, [runId, ready, send])
  useEffect(() => {
    window.addEventListener('online', send)
    const look = setInterval(() => document.visibilityState === 'visible' && send(), LOOK_MS)
    return () => {
      window.removeEventListener('online', send)
      clearInterval(look)
    }
  }, [runId, send])
  return { waiting, refused, send }
}
