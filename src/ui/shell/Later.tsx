'use client'

import { startTransition, useEffect, useState, type ReactNode } from 'react'

/** Idle time is waited for no longer than this, ms. */
const MAX_WAIT = 400
/** From one drawing to the next, ms. */
const APART = 80
const waiting: (() => void)[] = []
let going = false

const whenIdle = (f: () => void) =>
  'requestIdleCallback' in window
    ? window.requestIdleCallback(f, { timeout: MAX_WAIT })
    : setTimeout(f, APART)

function nextOne() {
  const show = waiting.shift()
  going = show !== undefined
  if (!show) return
  // Drawn in slices where that can be, and the next one only when this one stands.
  startTransition(show)
  setTimeout(() => whenIdle(nextOne), APART)
}

function inTurn(show: () => void): () => void {
  waiting.push(show)
  if (!going) {
    going = true
    whenIdle(nextOne)
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
