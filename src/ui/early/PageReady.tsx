'use client'

import { useEffect } from 'react'
import { READY_EVENT } from './earlyScript'
import { partsThere } from './soon'

/** Tells the page's early script that clicks are answered from now on. */
export function PageReady() {
  useEffect(() => {
    void partsThere().then(() => dispatchEvent(new Event(READY_EVENT)))
  }, [])
  return null
}
