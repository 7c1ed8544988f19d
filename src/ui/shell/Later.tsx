'use client'

import { startTransition, useEffect, useState, type ReactNode } from 'react'
import { whenIdle } from '@/ui/early/whenIdle'

/** Idle time is waited for no longer than this, ms. */
const MAX_WAIT = 400
/** From one drawing to the next, ms. */
const APART = 80
const waiting: (() => void)[] = []
let going = false

function nextOne() {
  const show = waiting.shift()
  going = show !== undefined
  if (!show) return
  // Drawn in slices where that can be, and the next one only when this one stands.
  startTransition(show)
  setTimeout(() => whenIdle(nextOne, MAX_WAIT), APART)
}

function inTurn(show: () => void): () => void {
  waiting.push(show)
  if (!going) {
    going = true
    whenIdle(nextOne, MAX_WAIT)
  }
  return () => {
    const at = waiting.indexOf(show)
    if (at >= 0) waiting.splice(at, 1)
  }
}

/** Draws what takes long after the page can be used, one such after another; its room is kept free. */
export function Later({ height, children }: { height: number; children: ReactNode }) {
  const [shown, setShown] = useState(false)
  useEffect(() => inTurn(() => setShown(true)), [])
  return shown ? children : <div style={{ height }} />
}
