'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { ASK_WHO, IDEAL_STANDARDS, renormalised, sweepFaults, type MeasurementOf, type Sweep } from '@/core/bench'
import { MAX_LETTERS } from '@/core/schema/limits'
import { NumberBox, numberIn } from '@/ui/fields/NumberBox'
import { Refused } from '@/ui/shell'
import { Quiet } from '@/ui/shell/Quiet'
import { useInstrument } from '../instrument/useInstrument'
import { KeptList } from '../KeptList'
import { Step } from '../Step'
import type { BenchAntenna } from '../types'
import { CalibratePart } from './CalibratePart'
import { FilePart } from './FilePart'
import { InstrumentPart, useSimulated } from './InstrumentPart'
import { LimitFields } from './LimitFields'
import { SweepRead } from './SweepRead'
import { sweepOnce } from './sweepWork'
import { useCalibration } from './useCalibration'
import { useLimits } from './useLimits'
import { fromKept, useSweeps } from './useSweeps'

interface Props {
  antennas: readonly BenchAntenna[]
  /** The antenna asked for in the address. */
  antennaId: string | null
  kept: readonly MeasurementOf<'sweep'>[]
}

const NO_SPAN = { fromMHz: 1, toMHz: 2, points: 2 }
const DEFAULT_SET_UP = 'As it is'

/** The sweep of an antenna: its limit, an instrument made good, and what the sweep says. */
export function SweepPlace({ antennas, antennaId, kept }: Props) {
  const limits = useLimits(antennas, antennaId)
  const instrument = useInstrument(ASK_WHO)
  const simulated = useSimulated()
  const sweeps = useSweeps()
  const [pieces, setPieces] = useState({ farad: '0', openPs: '0', shortPs: '0', loadOhm: '50' })
  const standards = {
    openFarad: numberIn(pieces.farad) ?? IDEAL_STANDARDS.openFarad,
    openDelayPs: numberIn(pieces.openPs) ?? IDEAL_STANDARDS.openDelayPs,
    shortDelayPs: numberIn(pieces.shortPs) ?? IDEAL_STANDARDS.shortDelayPs,
    loadOhm: numberIn(pieces.loadOhm) ?? IDEAL_STANDARDS.loadOhm,
  }
  const calibration = useCalibration(limits.span ?? NO_SPAN, standards)
  const [setUp, setSetUp] = useState('')
  const [times, setTimes] = useState('1')
  const [quiet, setQuiet] = useState(false)
  const [fault, setFault] = useState<string | null>(null)

  const { span } = limits
  const measured = (work: (raw: Sweep) => void) =>
    void instrument.with(async (link) => (span ? work(await sweepOnce(link, span)) : undefined))
  const lay = (sweep: Sweep, about: { source: 'instrument' | 'simulated' | 'file'; instrument: string; own: boolean; setUp: string }) => {
    const wrong = sweepFaults(sweep, null).filter((f) => f.stops)
    setFault(wrong[0]?.message ?? null)
    if (wrong.length > 0) return
    sweeps.add({
      id: crypto.randomUUID(),
      setUp: about.setUp,
      sweep: sweep.phase ? renormalised(sweep, limits.ohm) : sweep,
      takenAt: new Date().toISOString(),
      source: about.source,
      instrument: about.instrument,
      calibration: about.own && calibration.at !== null ? { loadAgainDb: calibration.loadAgain!, at: calibration.at } : null,
      kept: null,
    })
  }
  const sweepNow = () =>
    void instrument.with(async (link) => {
      for (let i = 0; i < Math.min(9, Math.max(1, numberIn(times) ?? 1)); i++)
        lay(calibration.apply(await sweepOnce(link, span ?? NO_SPAN)), {
          source: instrument.simulated ? 'simulated' : 'instrument',
          instrument: instrument.simulated ? 'Simulated analyser' : instrument.identity.slice(0, MAX_LETTERS.line),
          own: true,
          setUp: setUp.trim() || DEFAULT_SET_UP,
        })
    })
  const ready = instrument.link !== null && limits.span !== null

  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 318px' }, gap: { xs: 2, lg: 4 } }}>
        <Box sx={{ order: { xs: 2, lg: 1 }, minWidth: 0 }}>
          <SweepRead limits={limits} sweeps={sweeps} antennas={antennas} />
        </Box>
        <Box className="no-print" sx={{ order: { xs: 1, lg: 2 } }}>
          <Step n={1} title="Band and limit">
            <LimitFields limits={limits} antennas={antennas} />
          </Step>
          <Step n={2} title="Analyser">
            <InstrumentPart instrument={instrument} simulated={simulated} />
          </Step>
          {instrument.link && (
            <>
              <Step n={3} title="Calibrate">
                {limits.span ? (
                  <CalibratePart
                    calibration={calibration}
                    busy={instrument.busy}
                    stale={calibration.isStale(Date.now())}
                    pieces={pieces}
                    onPieces={(change) => setPieces((old) => ({ ...old, ...change }))}
                    onMeasure={(which) =>
                      measured((raw) =>
                        which === 'load again'
                          ? calibration.takeAgain(raw)
                          : which === 'open again'
                            ? calibration.checkLead(raw)
                            : calibration.take(which, raw),
                      )
                    }
                  />
                ) : (
                  <Quiet>Type the band first: a calibration is of one span.</Quiet>
                )}
              </Step>
              <Step n={4} title="Sweep">
                <TextField
                  label="What is different now"
                  placeholder={DEFAULT_SET_UP}
                  value={setUp}
                  onChange={(e) => setSetUp(e.target.value)}
                  fullWidth
                  helperText="With a counterpoise, in the hand, after the walk"
                  slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name }, inputLabel: { shrink: true } }}
                  sx={{ mb: 1 }}
                />
                <FormControlLabel
                  control={<Checkbox checked={quiet} onChange={(e) => setQuiet(e.target.checked)} />}
                  label="Nothing transmits near it, and nothing can transmit into the analyser"
                />
                <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}>
                  <Button variant="contained" disabled={!ready || !quiet || instrument.busy} onClick={sweepNow}>
                    Sweep
                  </Button>
                  <NumberBox label="Times" size="small" value={times} onChange={setTimes} sx={{ width: 84 }} />
                </Box>
              </Step>
            </>
          )}
          <FilePart
            ohm={limits.ohm}
            onSweep={(sweep, name) => lay(sweep, { source: 'file', instrument: name.slice(0, MAX_LETTERS.line), own: false, setUp: name.slice(0, MAX_LETTERS.name) })}
          />
          {fault && <Refused title="This sweep cannot be read" problems={[{ where: '', message: fault }]} />}
        </Box>
      </Box>
      <KeptList kept={kept} antennas={antennas} open="Lay it over" onOpen={(m) => sweeps.add(fromKept(m))} />
    </>
  )
}
