'use client'

import { useState } from 'react'
import type { MeasurementOf, MeasurementSource, Sweep } from '@/core/bench'

/** A sweep on the desk: not kept yet, or one that was. */
export interface DeskSweep {
  id: string
  /** What was different: like is laid over like. */
  setUp: string
  sweep: Sweep
  takenAt: string
  source: MeasurementSource
  instrument: string
  calibration: { loadAgainDb: number; at: string } | null
  /** Name it is kept by; null while it is only here. */
  kept: string | null
}

export const fromKept = (m: MeasurementOf<'sweep'>): DeskSweep => ({
  id: m.id,
  setUp: m.body.setUp || m.name,
  sweep: m.body.sweep as Sweep,
  takenAt: m.takenAt,
  source: m.source,
  instrument: m.instrument,
  calibration: m.body.calibration,
  kept: m.name,
})

/** The most sweeps that lie over each other. */
const MOST = 40

/** Sweeps that lie on the desk, the newest last, and which of them is read. */
export function useSweeps() {
  const [list, setList] = useState<DeskSweep[]>([])
  const [chosenId, choose] = useState<string | null>(null)
  const chosen = list.find((s) => s.id === chosenId) ?? list[list.length - 1] ?? null
  return {
    list,
    chosen,
    choose,
    add: (s: DeskSweep) => {
      setList((old) => [...old.filter((x) => x.id !== s.id), s].slice(-MOST))
      choose(s.id)
    },
    remove: (id: string) => setList((old) => old.filter((s) => s.id !== id)),
    markKept: (id: string, name: string) =>
      setList((old) => old.map((s) => (s.id === id ? { ...s, kept: name } : s))),
    /** Set-ups in the order in which they came. */
    setUps: [...new Set(list.map((s) => s.setUp))],
  }
}
export type Sweeps = ReturnType<typeof useSweeps>
