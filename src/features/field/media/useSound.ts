'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { RecordedSound, SoundRecorder } from './soundRecorder'

/** A clip is of one check; a way is all that is heard until it is stopped. */
export type SoundKind = 'clip' | 'way'

export const CLIP_SECONDS = 30

export interface Sound {
  /** What is being recorded; null where nothing is. */
  recording: { kind: SoundKind; sinceMs: number } | null
  trouble: string | null
  start: (kind: SoundKind) => Promise<void>
  stop: () => Promise<void>
}

/** One recording at a time, whichever part of the screen began it; it goes on while sheets open and close. */
export function useSound(runId: string, onDone: (kind: SoundKind, sound: RecordedSound) => void): Sound {
  const [recording, setRecording] = useState<Sound['recording']>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const current = useRef<{ kind: SoundKind; recorder: SoundRecorder } | null>(null)
  const done = useRef(onDone)
  useEffect(() => {
    done.current = onDone
  })

  const stop = useCallback(async () => {
    const was = current.current
    if (!was) return
    current.current = null
    setRecording(null)
    const { microphoneTrouble } = await import('./soundRecorder')
    try {
      done.current(was.kind, await was.recorder.stop())
    } catch (e) {
      setTrouble(microphoneTrouble(e))
    }
  }, [])
  const start = useCallback(
    async (kind: SoundKind) => {
      if (current.current) return
      setTrouble(null)
      const { recordSound, microphoneTrouble } = await import('./soundRecorder')
      try {
        const recorder = await recordSound(runId)
        current.current = { kind, recorder }
        setRecording({ kind, sinceMs: recorder.startedAtMs })
      } catch (e) {
        setTrouble(microphoneTrouble(e))
      }
    },
    [runId],
  )
  useEffect(() => {
    if (recording?.kind !== 'clip') return
    const timer = setTimeout(() => void stop(), CLIP_SECONDS * 1000)
    return () => clearTimeout(timer)
  }, [recording, stop])
  useEffect(() => () => void stop(), [stop])
  return { recording, trouble, start, stop }
}
