'use client'

import { useRef, useState } from 'react'
import type { LiveEntry } from '@/core/bench'

export type LiveSource = 'typed' | 'simulated' | 'instrument'
export type Plugged = 'in' | 'out'

/** The simulated modem's clock runs faster, so that a session of an hour fits into a few minutes. */
export const SIMULATED_FASTER = 12

/** Readings as they come in, each with its time and with what was plugged in then. */
export function useEntries() {
  const [entries, setEntries] = useState<LiveEntry[]>([])
  const [state, setState] = useState<Plugged | null>(null)
  const [begunAt, setBegunAt] = useState<number | null>(null)
  const [source, setSource] = useState<LiveSource>('typed')
  const [kept, setKept] = useState<string | null>(null)
  // An answer of the modem comes between two renders, so what counts now is held here as well.
  const now = useRef<{ state: Plugged | null; begunAt: number | null }>({ state: null, begunAt: null })
  const begin = (at: number | null) => {
    now.current.begunAt = at
    setBegunAt(at)
  }
  return {
    entries,
    state,
    begunAt,
    source,
    kept,
    setKept,
    say: (next: Plugged) => {
      now.current.state = next
      setState(next)
    },
    log: (figures: LiveEntry['figures'], from: LiveSource) => {
      const at = Date.now()
      if (now.current.begunAt === null) begin(at)
      const seconds =
        ((at - (now.current.begunAt ?? at)) / 1000) * (from === 'simulated' ? SIMULATED_FASTER : 1)
      const { state: plugged } = now.current
      setEntries((old) => [...old, { atS: Math.round(seconds * 10) / 10, state: plugged, figures }])
      setSource(from)
      setKept(null)
    },
    /** Says what was plugged in for those that do not say it. */
    fillStates: (stateAt: (atS: number) => Plugged | null) => {
      setEntries((old) => old.map((e) => ({ ...e, state: e.state ?? stateAt(e.atS) })))
      setKept(null)
    },
    undo: () => {
      setEntries((old) => old.slice(0, -1))
      setKept(null)
    },
    clear: () => {
      setEntries([])
      begin(null)
      setKept(null)
    },
    load: (all: LiveEntry[], at: number, from: LiveSource, name: string) => {
      setEntries(all)
      begin(at)
      setSource(from)
      setKept(name)
    },
  }
}
