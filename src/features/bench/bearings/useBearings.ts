'use client'

import { useState } from 'react'
import type { MeasurementOf } from '@/core/bench'
import type { TakenBearing } from '@/core/bench/fix/taken'
import type { Place } from '@/core/geo'
import { simulatedFinder, type SimulatedFinder } from '@/core/sim/bench'

const today = () => new Date().toISOString().slice(0, 10)

/** Bearings on the desk, and the day that they were taken on. */
export function useBearings() {
  const [list, setList] = useState<TakenBearing[]>([])
  const [day, setDay] = useState<string | null>(null)
  const [takenAt, setTakenAt] = useState<string | null>(null)
  const [kept, setKept] = useState<string | null>(null)
  const [finder, setFinder] = useState<SimulatedFinder | null>(null)
  const [shown, setShown] = useState(false)
  const changed = (next: (old: TakenBearing[]) => TakenBearing[]) => {
    setList(next)
    setKept(null)
  }
  return {
    list,
    // Read in the browser, where the day is the user's.
    day: day ?? today(),
    setDay,
    takenAt,
    kept,
    setKept,
    add: (b: Omit<TakenBearing, 'id' | 'left'>) => {
      setTakenAt((old) => old ?? new Date().toISOString())
      changed((old) => [...old, { ...b, id: crypto.randomUUID(), left: false }])
    },
    remove: (id: string) => changed((old) => old.filter((b) => b.id !== id)),
    leave: (id: string) => changed((old) => old.map((b) => (b.id === id ? { ...b, left: !b.left } : b))),
    open: (m: MeasurementOf<'bearings'>) => {
      setList(m.body.bearings)
      setDay(m.body.day)
      setTakenAt(m.takenAt)
      setKept(m.name)
      setFinder(null)
    },
    clear: () => {
      setList([])
      setTakenAt(null)
      setKept(null)
      setFinder(null)
      setShown(false)
    },
    /** The simulated finder's bearing from a place; the first place hides the transmitter. */
    read: (from: Place): number => {
      const used =
        finder ?? simulatedFinder(Math.round(Math.abs(from.lat * 1e4 + from.lon * 1e3)) % 997, from)
      if (!finder) setFinder(used)
      return used.bearingFrom(from)
    },
    simulated: finder !== null,
    /** Where the simulated transmitter is, once it was asked for. */
    hidden: shown && finder ? finder.truth : null,
    showHidden: () => setShown(true),
  }
}
export type Bearings = ReturnType<typeof useBearings>
