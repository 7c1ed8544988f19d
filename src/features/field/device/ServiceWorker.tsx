'use client'

import { useEffect } from 'react'

/** Keeps the field screen and all it is made of on this device. */
export function ServiceWorker() {
  useEffect(() => {
    if (process.env.NODE_ENV === 'production' && 'serviceWorker' in navigator)
      void navigator.serviceWorker.register('/sw.js').catch(() => undefined)
  }, [])
  return null
}
