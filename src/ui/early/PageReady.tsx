'use client'

import { useEffect } from 'react'
import { READY_EVENT } from './earlyScript'

/** Tells the page's early script that clicks are answered from now on. */
export function PageReady() {
  useEffect(() => {
    dispatchEvent(new Event(READY_EVENT))
  }, [])
  return null
}
