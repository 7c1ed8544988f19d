'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { MEANS_SD, type EntryBody, type Mark } from '@/core/trial'
import { fromLength, lengthUnit, type Units } from '@/core/units'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'

interface Props {
  marks: Mark[]
  units: Units
  onMeasured: (body: Extract<EntryBody, { kind: 'measured' }>) => void
}

/** The distance of a peg, measured at last. */
export function MeasureForm({ marks, units, onMeasured }: Props) {
  const [markId, setMark] = useState(marks[0]!.id)
  const [distance, setDistance] = useState('')
  const problem = distance === '' ? null : numberProblem(distance, { above: 0 }, lengthUnit(units))
  const save = () => {
    const distanceM = fromLength(numberIn(distance)!, units)
    onMeasured({
      kind: 'measured',
      markId,
      how: 'tape',
      distanceM,
      distanceSdM: Math.max(0.5, distanceM * MEANS_SD.tape),
    })
    setDistance('')
  }
  return (
    <Box role="group" aria-label="Measure a peg">
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        A peg’s distance, measured
      </Typography>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextField
          select
          label="Peg"
          value={markId}
          onChange={(e) => setMark(e.target.value)}
          sx={{ flex: 1 }}
        >
          {marks.map((m) => (
            <Option key={m.id} value={m.id}>
              {m.name}
            </Option>
          ))}
        </TextField>
        <NumberBox
          label="Distance"
          unit={lengthUnit(units)}
          value={distance}
          problem={problem}
          onChange={setDistance}
        />
        <Button variant="outlined" disabled={distance === '' || problem !== null} onClick={save}>
          Measured
        </Button>
      </Box>
    </Box>
  )
}
