'use client'

import { useSyncExternalStore } from 'react'
import type { Place } from '@/core/geo'

/** Where the pointer is on the map; kept outside of React's state, so that only what follows it is drawn anew. */
export interface Pointer {
  set: (place: Place | null) => void
  get: () => Place | null
  subscribe: (listener: () => void) => () => void
}

export function makePointer(): Pointer {
  let at: Place | null = null
  const listeners = new Set<() => void>()
  return {
    set(place) {
      at = place
      listeners.forEach((l) => l())
    },
    get: () => at,
    subscribe(listener) {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
  }
}

export function usePointer(pointer: Pointer): Place | null {
  return useSyncExternalStore(pointer.subscribe, pointer.get, () => null)
}
