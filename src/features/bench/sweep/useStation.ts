'use client'

import { useState } from 'react'
import { ASK_WHO, IDEAL_STANDARDS, renormalised, sweepFaults, type Sweep } from '@/core/bench'
import { MAX_LETTERS } from '@/core/schema/limits'
import { numberIn } from '@/ui/fields/NumberBox'
import { useInstrument } from '../instrument/useInstrument'
import { useSimulated } from './useSimulated'
import { sweepOnce, type Span } from './sweepWork'
import { useCalibration } from './useCalibration'
import { useSweeps } from './useSweeps'

const NO_SPAN: Span = { fromMHz: 1, toMHz: 2, points: 2 }
const MOST_TIMES = 9

/** An analyser, its calibration and the sweeps that it makes or that files hold. @param span null while it is not typed */
export function useStation(span: Span | null, ohm: number, defaultSetUp: string) {
  const instrument = useInstrument(ASK_WHO)
  const simulated = useSimulated()
  const sweeps = useSweeps()
  const [pieces, setPieces] = useState({ farad: '0', openPs: '0', shortPs: '0', loadOhm: '50' })
  const calibration = useCalibration(span ?? NO_SPAN, {
    openFarad: numberIn(pieces.farad) ?? IDEAL_STANDARDS.openFarad,
    openDelayPs: numberIn(pieces.openPs) ?? IDEAL_STANDARDS.openDelayPs,
    shortDelayPs: numberIn(pieces.shortPs) ?? IDEAL_STANDARDS.shortDelayPs,
    loadOhm: numberIn(pieces.loadOhm) ?? IDEAL_STANDARDS.loadOhm,
  })
  const [setUp, setSetUp] = useState('')
  const [times, setTimes] = useState('1')
  const [fault, setFault] = useState<string | null>(null)

  const lay = (sweep: Sweep, about: { file: string } | 'measured') => {
    const wrong = sweepFaults(sweep, null).find((f) => f.stops)
    setFault(wrong?.message ?? null)
    if (wrong) return
    const own = about === 'measured'
    const name = own ? '' : about.file
    sweeps.add({
      id: crypto.randomUUID(),
      setUp: own ? setUp.trim() || defaultSetUp : name.slice(0, MAX_LETTERS.name),
      sweep: sweep.phase ? renormalised(sweep, ohm) : sweep,
      takenAt: new Date().toISOString(),
      source: !own ? 'file' : instrument.simulated ? 'simulated' : 'instrument',
      instrument: (!own ? name : instrument.simulated ? 'Simulated analyser' : instrument.identity).slice(
        0,
        MAX_LETTERS.line,
      ),
      calibration:
        own && calibration.at !== null && calibration.loadAgain !== null
          ? { loadAgainDb: calibration.loadAgain, at: calibration.at }
          : null,
      kept: null,
    })
  }
  return {
    instrument,
    simulated,
    sweeps,
    calibration,
    pieces,
    setPieces: (change: Partial<typeof pieces>) => setPieces((old) => ({ ...old, ...change })),
    setUp,
    setSetUp,
    defaultSetUp,
    times,
    setTimes,
    fault,
    /** Whether it could sweep now. */
    ready: instrument.link !== null && span !== null && !instrument.busy,
    spanned: span !== null,
    layFile: (sweep: Sweep, file: string) => lay(sweep, { file }),
    /** Measures what is on the lead for the calibration. */
    measure: (which: Parameters<typeof calibration.take>[0] | 'load again' | 'open again') =>
      void instrument.with(async (link) => {
        const raw = await sweepOnce(link, span ?? NO_SPAN)
        if (which === 'load again') calibration.takeAgain(raw)
        else if (which === 'open again') calibration.checkLead(raw)
        else calibration.take(which, raw)
      }),
    sweepNow: () =>
      void instrument.with(async (link) => {
        const n = Math.min(MOST_TIMES, Math.max(1, Math.round(numberIn(times) ?? 1)))
        for (let i = 0; i < n; i++) lay(calibration.apply(await sweepOnce(link, span ?? NO_SPAN)), 'measured')
      }),
  }
}
export type Station = ReturnType<typeof useStation>
