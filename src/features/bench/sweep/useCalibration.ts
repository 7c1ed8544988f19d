'use client'

import { useEffect, useState } from 'react'
import {
  corrected,
  LOAD_AGAIN_DB,
  leadHeld,
  loadAgainDb,
  solveErrorTerms,
  STANDARDS,
  stepProblems,
  type ErrorTerms,
  type LeadHeld,
  type Measured,
  type StandardName,
  type Standards,
  type Sweep,
} from '@/core/bench'
import type { Problem } from '@/core/outcome'
import type { Span } from './sweepWork'

interface Held {
  span: Span
  taken: Partial<Measured>
  terms: ErrorTerms | null
  loadAgain: number | null
  openAgain: LeadHeld | null
  at: string | null
}

const NOTHING: Omit<Held, 'span'> = { taken: {}, terms: null, loadAgain: null, openAgain: null, at: null }
const spanKey = (s: Span) => `${s.fromMHz} ${s.toMHz} ${s.points}`
/** A calibration is asked about after so long, ms. */
const STALE_MS = 3_600_000

/** Open, short and load, each looked at when it is taken; then the load again. Of one span. */
export function useCalibration(span: Span, standards: Standards) {
  const [held, setHeld] = useState<Held>({ span, ...NOTHING })
  const [problems, setProblems] = useState<Problem[]>([])
  const { at } = held
  const [staleSince, setStaleSince] = useState<string | null>(null)
  useEffect(() => {
    if (at === null) return
    const timer = setTimeout(() => setStaleSince(at), STALE_MS)
    return () => clearTimeout(timer)
  }, [at])
  const another = held.at !== null && spanKey(held.span) !== spanKey(span)
  const now: Held = spanKey(held.span) === spanKey(span) ? held : { span, ...NOTHING }
  const next: StandardName | 'load again' | null =
    STANDARDS.find((s) => !now.taken[s]) ?? (now.loadAgain === null ? 'load again' : null)

  const take = (which: StandardName, raw: Sweep): void => {
    // An open taken anew begins again.
    const taken = which === 'open' ? { open: raw } : { ...now.taken, [which]: raw }
    const wrong = stepProblems(which, taken, standards)
    setProblems(wrong)
    if (wrong.length > 0) return
    const whole = STANDARDS.every((s) => taken[s])
    setHeld({ span, ...NOTHING, taken, terms: whole ? solveErrorTerms(taken as Measured, standards) : null })
  }
  const takeAgain = (raw: Sweep): void => {
    const db = loadAgainDb(corrected(raw, now.terms!))
    setProblems(
      db >= LOAD_AGAIN_DB
        ? []
        : [
            {
              code: 'load-again',
              where: 'load',
              message: `The load comes back at ${db.toFixed(1)} dB; ${LOAD_AGAIN_DB} dB or better are wanted. Screw it on again, or begin again with the open.`,
            },
          ],
    )
    setHeld({ ...now, loadAgain: db, at: db >= LOAD_AGAIN_DB ? new Date().toISOString() : null })
  }
  const checkLead = (raw: Sweep): void =>
    setHeld({ ...now, openAgain: leadHeld(corrected(raw, now.terms!), standards) })
  return {
    taken: now.taken,
    terms: now.terms,
    loadAgain: now.loadAgain,
    openAgain: now.openAgain,
    at: now.at,
    next,
    problems,
    take,
    takeAgain,
    checkLead,
    restart: () => {
      setProblems([])
      setHeld({ span, ...NOTHING })
    },
    /** It was made over another span, and does not hold here. */
    ofAnotherSpan: another ? held.span : null,
    /** It is an hour old, and the port has warmed or cooled. */
    stale: now.at !== null && staleSince === now.at,
    /** A raw sweep made good; as it is where nothing was calibrated over this span. */
    apply: (raw: Sweep): Sweep => (now.at && now.terms ? corrected(raw, now.terms) : raw),
  }
}
export type Calibration = ReturnType<typeof useCalibration>
