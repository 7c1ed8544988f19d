'use client'

import { useEffect } from 'react'
import { isRunOpen, onWaiting } from './appUpdate'

/**
 * Keeps the field screen and all it is made of on this device.
 * @param quietly a newer build is used at once where no run is open; the pages of the desk come from the server anyway
 */
export function ServiceWorker({ quietly = false }: { quietly?: boolean }) {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return
    let end: () => void = () => undefined
    let ended = false
    void navigator.serviceWorker
      .register('/sw.js')
      .then(() => {
        if (!quietly || ended) return
        end = onWaiting((worker) => {
          void isRunOpen().then((open) => !open && worker.postMessage({ type: 'SKIP_WAITING' }))
        })
      })
      .catch(() => undefined)
    return () => {
      ended = true
      end()
    }
  }, [quietly])
  return null
}
