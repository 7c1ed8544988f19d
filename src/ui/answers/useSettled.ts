'use client'

import { useEffect, useState } from 'react'

/**
 * A value that comes late, held back while a finger or a mouse button is down: what moves between press and release
 * takes the click away from what was pressed.
 */
export function useSettled<T>(value: T): T {
  const [pressed, setPressed] = useState(false)
  const [shown, setShown] = useState(value)
  useEffect(() => {
    const down = () => setPressed(true)
    // The click comes after its release.
    const up = () => setTimeout(() => setPressed(false))
    const ends = ['pointerup', 'pointercancel', 'blur'] as const
    addEventListener('pointerdown', down, true)
    for (const end of ends) addEventListener(end, up, true)
    return () => {
      removeEventListener('pointerdown', down, true)
      for (const end of ends) removeEventListener(end, up, true)
    }
  }, [])
  if (!pressed && shown !== value) setShown(value)
  return shown
}
