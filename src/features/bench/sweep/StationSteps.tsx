'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { MAX_LETTERS } from '@/core/schema/limits'
import { NumberBox } from '@/ui/fields/NumberBox'
import { Refused } from '@/ui/shell'
import { Quiet } from '@/ui/shell/Quiet'
import { Step } from '../Step'
import { CalibratePart } from './CalibratePart'
import { FilePart } from './FilePart'
import { InstrumentPart } from './InstrumentPart'
import type { Station } from './useStation'

/** The analyser, its calibration, the sweep, or a file: steps 2 to 4 of whatever is swept. */
export function StationSteps({
  station: s,
  ohm,
  example,
}: {
  station: Station
  ohm: number
  example: string
}) {
  return (
    <>
      <Step n={2} title="Analyser">
        <InstrumentPart instrument={s.instrument} simulated={s.simulated} />
      </Step>
      {s.instrument.link && (
        <>
          <Step n={3} title="Calibrate">
            {s.spanned ? (
              <CalibratePart
                calibration={s.calibration}
                busy={s.instrument.busy}
                pieces={s.pieces}
                onPieces={s.setPieces}
                onMeasure={s.measure}
              />
            ) : (
              <Quiet>Type the band first: a calibration is of one span.</Quiet>
            )}
          </Step>
          <SweepStep station={s} example={example} />
        </>
      )}
      <FilePart ohm={ohm} onSweep={s.layFile} />
      {s.fault && <Refused title="This sweep cannot be read" problems={[{ where: '', message: s.fault }]} />}
    </>
  )
}

function SweepStep({ station: s, example }: { station: Station; example: string }) {
  const [quiet, setQuiet] = useState(false)
  return (
    <Step n={4} title="Sweep">
      <TextField
        label="What is different now"
        placeholder={s.defaultSetUp}
        value={s.setUp}
        onChange={(e) => s.setSetUp(e.target.value)}
        fullWidth
        helperText={example}
        slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name }, inputLabel: { shrink: true } }}
        sx={{ mb: 1 }}
      />
      <FormControlLabel
        control={<Checkbox checked={quiet} onChange={(e) => setQuiet(e.target.checked)} />}
        label="Nothing transmits near it, and nothing can transmit into the analyser"
      />
      <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}>
        <Button variant="contained" disabled={!s.ready || !quiet} onClick={s.sweepNow}>
          Sweep
        </Button>
        <NumberBox label="Times" size="small" value={s.times} onChange={s.setTimes} sx={{ width: 84 }} />
      </Box>
    </Step>
  )
}
