'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { STANDARDS, type StandardName } from '@/core/bench'
import { NumberBox } from '@/ui/fields/NumberBox'
import { Fold, Refused } from '@/ui/shell'
import { Quiet } from '@/ui/shell/Quiet'
import type { Calibration } from './useCalibration'

type StepName = StandardName | 'load again'
const STEPS: readonly StepName[] = [...STANDARDS, 'load again']

interface Props {
  calibration: Calibration
  busy: boolean
  onMeasure: (which: StepName | 'open again') => void
  /** The pieces as they are described, as typed. */
  pieces: { farad: string; openPs: string; shortPs: string; loadOhm: string }
  onPieces: (change: Partial<Props['pieces']>) => void
}

const doneText = (which: StepName, c: Calibration): string | null => {
  if (which === 'load again') return c.loadAgain === null ? null : `−${c.loadAgain.toFixed(1)} dB`
  return c.taken[which] ? 'taken' : null
}

/** Open, short, load, and the load again: one button each, in their order. */
export function CalibratePart({ calibration: c, busy, onMeasure, pieces, onPieces }: Props) {
  return (
    <>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {STEPS.map((which) => {
          const done = doneText(which, c)
          const now = c.next === which
          return (
            <Box key={which} component="li" sx={{ display: 'flex', alignItems: 'center', gap: 1, py: 0.25 }}>
              <Button
                size="small"
                variant={now ? 'contained' : 'outlined'}
                disabled={busy || (!now && done === null)}
                onClick={() => onMeasure(which)}
                sx={{ minWidth: 132 }}
              >
                {which === 'load again' ? 'Load again' : `Measure ${which}`}
              </Button>
              <Box
                component="span"
                role="status"
                sx={{ fontWeight: done ? 700 : 400, color: done ? 'var(--ink)' : 'var(--soft)' }}
              >
                {done ?? (now ? 'put it on' : '')}
              </Box>
            </Box>
          )
        })}
      </Box>
      {c.problems.length > 0 && (
        <Refused title="Not taken" problems={c.problems.map((p) => ({ ...p, where: '' }))} />
      )}
      {c.ofAnotherSpan && (
        <Box role="alert" sx={{ mt: 0.75 }}>
          The calibration is of {c.ofAnotherSpan.fromMHz} to {c.ofAnotherSpan.toMHz} MHz with{' '}
          {c.ofAnotherSpan.points} points. It does not hold for this span: calibrate again.
        </Box>
      )}
      {c.at !== null && (
        <Box sx={{ mt: 0.75 }}>
          Calibrated, the load below −40 dB.{' '}
          {c.stale && <b>That was over an hour ago: measure the load again.</b>}{' '}
          <Button size="small" disabled={busy} onClick={() => onMeasure('open again')}>
            Open again: was the lead moved?
          </Button>
          {c.openAgain && (
            <Box role="status">
              {c.openAgain.holds
                ? `The lead holds: ${Math.abs(c.openAgain.movedDeg).toFixed(1)}° off.`
                : `The lead turned by ${Math.abs(c.openAgain.movedDeg).toFixed(0)}°: it was moved. Fix it to the table, and calibrate again.`}
            </Box>
          )}
        </Box>
      )}
      {Object.keys(c.taken).length > 0 && (
        <Button size="small" onClick={c.restart}>
          Begin again
        </Button>
      )}
      <Fold title="The pieces, where they are described">
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25, mt: 1 }}>
          <NumberBox
            label="Open, capacitance"
            unit="fF"
            value={pieces.farad}
            onChange={(farad) => onPieces({ farad })}
          />
          <NumberBox
            label="Open, delay"
            unit="ps"
            value={pieces.openPs}
            onChange={(openPs) => onPieces({ openPs })}
          />
          <NumberBox
            label="Short, delay"
            unit="ps"
            value={pieces.shortPs}
            onChange={(shortPs) => onPieces({ shortPs })}
          />
          <NumberBox
            label="Load"
            unit="ohm"
            value={pieces.loadOhm}
            onChange={(loadOhm) => onPieces({ loadOhm })}
          />
        </Box>
        <Quiet small sx={{ mt: 0.5 }}>
          As their maker’s sheet has them; nought is the ideal piece. Delays are one way.
        </Quiet>
      </Fold>
    </>
  )
}
