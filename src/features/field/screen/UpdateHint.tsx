'use client'

import { useEffect, useState, type CSSProperties } from 'react'
import { isRunOpen, onWaiting, takeNewer, type Waiting } from '../device/appUpdate'

const BUTTON: CSSProperties = {
  minHeight: 48,
  padding: '0 16px',
  font: 'inherit',
  fontWeight: 700,
  color: 'var(--ink)',
  background: 'var(--raised)',
  border: '2px solid var(--ink)',
  borderRadius: 3,
}

/** Offers a newer build once it is on the device; it never comes by itself, so that no run changes under a thumb. */
export function UpdateHint() {
  const [waiting, setWaiting] = useState<Waiting | null>(null)
  const [held, setHeld] = useState(false)
  useEffect(() => onWaiting(setWaiting), [])
  if (!waiting) return null
  const take = async () => {
    if (await isRunOpen()) setHeld(true)
    else takeNewer(waiting)
  }
  return (
    <p role="status" style={{ display: 'flex', gap: 12, flexWrap: 'wrap', alignItems: 'center' }}>
      <span style={{ flex: '1 1 200px' }}>
        {held
          ? 'A run is open in another tab. Leave it first; nothing of it is lost.'
          : 'A newer version is on this device.'}
      </span>
      <button type="button" style={BUTTON} onClick={() => void take()}>
        Use it
      </button>
    </p>
  )
}
