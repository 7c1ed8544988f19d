'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useRef, useState } from 'react'
import type { SweepBand } from '@/core/bench'
import { writeSweepTable } from '@/core/formats/sweepTable'
import { writeTouchstone } from '@/core/formats/touchstone'
import { fileNameOf } from '@/core/trial/runFileName'
import { downloadText } from '@/ui/fields/downloadText'
import { TakeAlong } from '@/ui/figures/TakeAlong'
import { PlanePicture } from './PlanePicture'
import { SweepPicture, type Marker } from './SweepPicture'
import { TRACE_SCALES, type TraceScale } from './traceGeometry'
import type { DeskSweep, Sweeps } from './useSweeps'

interface Props {
  title: string
  sweeps: Sweeps
  chosen: DeskSweep
  band: SweepBand
  limitSwr: number
  markers: readonly Marker[]
  onMarker: (id: number, frequencyMHz: number) => void
}

/** The same sweep in whatever words are wanted, and the ways to take it along. */
export function SweepFigure({ title, sweeps, chosen, band, limitSwr, markers, onMarker }: Props) {
  const [scale, setScale] = useState<TraceScale>('return-loss')
  const [log, setLog] = useState(false)
  const box = useRef<HTMLDivElement>(null)
  const bare = !chosen.sweep.phase
  const shown = bare && (scale === 'plane' || scale === 'ohms') ? 'return-loss' : scale
  const drawn = { sweeps: sweeps.list, chosen, setUps: sweeps.setUps, limitSwr, markers }
  return (
    <>
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
              disabled={bare && (s.id === 'plane' || s.id === 'ohms')}
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
          <PlanePicture {...drawn} />
        ) : (
          <SweepPicture {...drawn} band={band} scale={shown} log={log} onMarker={onMarker} />
        )}
      </Box>
      <TakeAlong box={box} select="svg.sweep-picture" title={title}>
        <FilesOut title={title} chosen={chosen} />
      </TakeAlong>
    </>
  )
}

function FilesOut({ title, chosen }: { title: string; chosen: DeskSweep }) {
  const file = fileNameOf(title)
  const about = [
    title,
    `taken ${chosen.takenAt} by ${chosen.instrument || chosen.source}`,
    chosen.calibration
      ? `calibrated, load again at ${chosen.calibration.loadAgainDb.toFixed(1)} dB`
      : 'not calibrated here',
  ]
  return (
    <>
      {chosen.sweep.phase &&
        (['1.1', '2.0'] as const).map((version) => (
          <Button
            key={version}
            size="small"
            onClick={() =>
              downloadText(
                version === '1.1' ? `${file}.s1p` : `${file}.ts`,
                writeTouchstone(chosen.sweep, about, version),
                'text/plain',
              )
            }
          >
            Save as Touchstone {version}
          </Button>
        ))}
      <Button
        size="small"
        onClick={() => downloadText(`${file}.csv`, writeSweepTable(chosen.sweep), 'text/csv')}
      >
        Save as CSV
      </Button>
      <Button size="small" onClick={() => window.print()}>
        Print the page
      </Button>
    </>
  )
}
