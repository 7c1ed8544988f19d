'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useRef, useState } from 'react'
import { sweepFaults, sweepSaid, type BodyByKind } from '@/core/bench'
import { writeSweepTable } from '@/core/formats/sweepTable'
import { writeTouchstone } from '@/core/formats/touchstone'
import { downloadText } from '@/ui/fields/downloadText'
import { TakeAlong } from '@/ui/figures/TakeAlong'
import { Quiet } from '@/ui/shell/Quiet'
import { KeepForm } from '../KeepForm'
import type { BenchAntenna } from '../types'
import { MarkerTable } from './MarkerTable'
import { PlanePicture } from './PlanePicture'
import { SweepList } from './SweepList'
import { SweepPicture } from './SweepPicture'
import { TRACE_SCALES, type TraceScale } from './traceGeometry'
import type { Limits } from './useLimits'
import { useMarkers } from './useMarkers'
import type { DeskSweep, Sweeps } from './useSweeps'

interface Props {
  limits: Limits
  sweeps: Sweeps
  antennas: readonly BenchAntenna[]
}

/** What the sweeps on the desk say: the answer, the picture, the markers, and how far they lie apart. */
export function SweepRead({ limits, sweeps, antennas }: Props) {
  const { chosen } = sweeps
  if (!chosen || !limits.band || limits.limitSwr === null)
    return (
      <Box
        sx={{
          border: '2px dashed var(--rule)',
          p: 4,
          minHeight: 320,
          display: 'grid',
          alignContent: 'center',
          justifyItems: 'center',
          textAlign: 'center',
        }}
      >
        <Box sx={{ fontSize: '1.3rem', fontWeight: 700 }}>Does it match where it is used?</Box>
        <Quiet sx={{ maxWidth: 460, mt: 1 }}>
          {chosen
            ? 'Type the band and the limit, and the sweep is read.'
            : 'Type the band and the limit, connect an analyser, calibrate it, and sweep; or read a file. What comes out is pass or fail, where the limit is crossed, and what could be cut.'}
        </Quiet>
      </Box>
    )
  return <Read key="read" limits={limits} sweeps={sweeps} antennas={antennas} chosen={chosen} />
}

function Read({ limits, sweeps, antennas, chosen }: Props & { chosen: DeskSweep }) {
  const [scale, setScale] = useState<TraceScale>('return-loss')
  const [log, setLog] = useState(false)
  const box = useRef<HTMLDivElement>(null)
  const markers = useMarkers(limits.band!)
  const [band, limitSwr] = [limits.band!, limits.limitSwr!]
  const faults = sweepFaults(chosen.sweep, band)
  const stopped = faults.some((f) => f.stops)
  const said = stopped
    ? null
    : sweepSaid(chosen.sweep, {
        band,
        limitSwr,
        lengthM: limits.antenna?.lengthM ?? null,
        loadAgainDb: chosen.calibration?.loadAgainDb ?? null,
        leadDb: limits.leadDb,
      })
  const title = `${limits.antenna?.name ?? 'Sweep'}, ${chosen.setUp}`
  const shown = scale === 'plane' && !chosen.sweep.phase ? 'return-loss' : scale
  const file = title.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')
  return (
    <>
      <Box role="status" aria-live="polite" sx={{ mb: 1.5 }}>
        {said && (
          <Box
            sx={{
              fontSize: '1.35rem',
              lineHeight: 1.25,
              fontWeight: 700,
              borderLeft: `6px solid ${said.verdict === 'passes' ? 'var(--rig-3)' : said.verdict === 'fails' ? 'var(--bad)' : 'var(--accent-fill)'}`,
              pl: 1.5,
            }}
          >
            {said.headline}
          </Box>
        )}
        {faults.map((f) => (
          <Box key={f.code} sx={{ color: f.stops ? 'var(--bad)' : 'var(--ink)', mt: 0.5 }}>
            {f.message}
          </Box>
        ))}
      </Box>
      <Box
        className="no-print"
        sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}
      >
        <ToggleButtonGroup
          exclusive
          size="small"
          value={shown}
          onChange={(_, v: TraceScale | null) => v && setScale(v)}
          aria-label="Scale"
          sx={{ flexWrap: 'wrap' }}
        >
          {TRACE_SCALES.map((s) => (
            <ToggleButton
              key={s.id}
              value={s.id}
              disabled={!chosen.sweep.phase && (s.id === 'plane' || s.id === 'ohms')}
              sx={{ whiteSpace: 'nowrap' }}
            >
              {s.name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {shown !== 'plane' && (
          <FormControlLabel
            control={<Switch checked={log} onChange={(e) => setLog(e.target.checked)} />}
            label="Logarithmic"
          />
        )}
      </Box>
      <Box ref={box}>
        {shown === 'plane' ? (
          <PlanePicture
            sweeps={sweeps.list}
            chosen={chosen}
            setUps={sweeps.setUps}
            limitSwr={limitSwr}
            markers={markers.list}
          />
        ) : (
          <SweepPicture
            sweeps={sweeps.list}
            chosen={chosen}
            setUps={sweeps.setUps}
            band={band}
            limitSwr={limitSwr}
            scale={shown}
            log={log}
            markers={markers.list}
            onMarker={markers.move}
          />
        )}
      </Box>
      <SweepList sweeps={sweeps} band={band} />
      {said && (
        <Box component="ul" sx={{ pl: 2.5, my: 1.5, maxWidth: 800 }}>
          {said.more.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
      )}
      <MarkerTable
        sweep={chosen.sweep}
        markers={markers.list}
        onAdd={markers.add}
        onMove={markers.move}
        onRemove={markers.remove}
      />
      <TakeAlong box={box} select="svg.sweep-picture" title={title}>
        <Button
          size="small"
          onClick={() =>
            downloadText(`${file}.s1p`, writeTouchstone(chosen.sweep, about(title, chosen)), 'text/plain')
          }
          disabled={!chosen.sweep.phase}
        >
          Save as Touchstone
        </Button>
        <Button
          size="small"
          onClick={() => downloadText(`${file}.csv`, writeSweepTable(chosen.sweep), 'text/csv')}
        >
          Save as CSV
        </Button>
        <Button size="small" onClick={() => window.print()}>
          Print the page
        </Button>
      </TakeAlong>
      {chosen.kept !== null ? (
        <Quiet sx={{ mt: 2 }} role="status">
          Kept as {chosen.kept}.
        </Quiet>
      ) : (
        <KeepForm
          key={chosen.id}
          kind="sweep"
          name={title}
          body={(): BodyByKind['sweep'] => ({
            sweep: rounded(chosen.sweep),
            band,
            limitSwr,
            setUp: chosen.setUp,
            calibration: chosen.calibration,
            lead: null,
          })}
          takenAt={chosen.takenAt}
          source={chosen.source}
          instrument={chosen.instrument}
          parts={antennas}
          partId={limits.antennaId}
          gives="The antenna takes its SWR from it, and every budget with it. Older sweeps stay beside it."
          onKept={(_, name) => sweeps.markKept(chosen.id, name)}
        />
      )}
    </>
  )
}

const about = (title: string, s: DeskSweep) => [
  title,
  `taken ${s.takenAt} by ${s.instrument || s.source}`,
  s.calibration
    ? `calibrated, load again at ${s.calibration.loadAgainDb.toFixed(1)} dB`
    : 'not calibrated here',
]

/** Seven digits are more than any analyser has. */
const rounded = (s: DeskSweep['sweep']) => ({
  ...s,
  re: s.re.map((v) => Number(v.toFixed(7))),
  im: s.im.map((v) => Number(v.toFixed(7))),
})
