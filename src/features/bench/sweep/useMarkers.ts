'use client'

import { useState } from 'react'
import type { SweepBand } from '@/core/bench'
import type { Marker } from './SweepPicture'

/** Markers: at first the band's ends; as many more as are wanted. They stay at their frequency whatever the scale. */
export function useMarkers(band: SweepBand) {
  const [own, setOwn] = useState<Marker[] | null>(null)
  const list = own ?? [
    { id: 1, frequencyMHz: band.fromMHz },
    { id: 2, frequencyMHz: band.toMHz },
  ]
  return {
    list,
    add: (frequencyMHz: number) =>
      setOwn([...list, { id: Math.max(0, ...list.map((m) => m.id)) + 1, frequencyMHz }]),
    move: (id: number, frequencyMHz: number) =>
      setOwn(list.map((m) => (m.id === id ? { ...m, frequencyMHz } : m))),
    remove: (id: number) => setOwn(list.filter((m) => m.id !== id)),
  }
}
