'use client'

import { useEffect, useState } from 'react'

/** Keeps the screen awake while it is seen. */
export function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null
    let ended = false
    const ask = () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
      void navigator.wakeLock
        .request('screen')
        .then((l) => {
          if (ended) void l.release()
          else lock = l
        })
        .catch(() => undefined)
    }
    ask()
    document.addEventListener('visibilitychange', ask)
    return () => {
      ended = true
      document.removeEventListener('visibilitychange', ask)
      void lock?.release()
    }
  }, [])
}

/** Asks before the page is left while entries are on this device only. */
export function useLeaveWarning(waiting: number): void {
  useEffect(() => {
    if (waiting === 0) return
    const warn = (e: BeforeUnloadEvent) => e.preventDefault()
    window.addEventListener('beforeunload', warn)
    return () => window.removeEventListener('beforeunload', warn)
  }, [waiting])
}

export interface TabLock {
  /** This tab may write. */
  mine: boolean
  takeOver: () => void
}

/** Of several tabs with the same run one writes; another can take over. */
export function useTabLock(runId: string): TabLock {
  const [mine, setMine] = useState(true)
  const [steal, setSteal] = useState(0)
  useEffect(() => {
    if (!('locks' in navigator)) return
    let release: () => void = () => undefined
    let ended = false
    const options = steal > 0 ? { steal: true } : { ifAvailable: true }
    navigator.locks
      .request(`run ${runId}`, options, (lock) => {
        if (ended) return
        setMine(lock !== null)
        if (!lock) return
        return new Promise<void>((done) => {
          release = done
        })
      })
      // Another tab took it.
      .catch(() => {
        if (!ended) setMine(false)
      })
    return () => {
      ended = true
      release()
    }
  }, [runId, steal])
  return { mine, takeOver: () => setSteal((n) => n + 1) }
}

/** The time, every so often. */
export function useNow(everyMs: number): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs)
    return () => clearInterval(timer)
  }, [everyMs])
  return now
}
