'use client'

import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { MODELS, type ModelName } from '@/core/propagation'
import type { PredictionSettings } from '@/core/reach'
import { SURROUNDINGS, type Surroundings } from '@/core/rf'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'

/** Typical losses of what stands about an antenna, dB. */
const CLUTTER: [string, number][] = [
  ['open', 0],
  ['scattered trees or houses', 8],
  ['suburb', 15],
  ['town or dense wood', 22],
]

interface Props {
  value: PredictionSettings
  onChange: (settings: PredictionSettings) => void
}

/** What the prediction takes for granted. */
export function PredictionFields({ value, onChange }: Props) {
  const [clutter, setClutter] = useState(String(value.farClutterDb))
  const bad = numberProblem(clutter, { min: 0, max: 60 }, 'dB')
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start', my: 1.5 }}>
      <TextField
        select
        label="Model"
        value={value.model}
        onChange={(e) => onChange({ ...value, model: e.target.value as ModelName })}
        sx={{ minWidth: 150 }}
      >
        {MODELS.map((m) => (
          <MenuItem key={m} value={m}>
            {m}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Noise around"
        value={value.surroundings}
        onChange={(e) => onChange({ ...value, surroundings: e.target.value as Surroundings })}
        sx={{ minWidth: 140 }}
      >
        {Object.keys(SURROUNDINGS).map((s) => (
          <MenuItem key={s} value={s}>
            {s}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="About the far end"
        value={CLUTTER.some(([, db]) => db === value.farClutterDb) ? value.farClutterDb : ''}
        onChange={(e) => {
          setClutter(String(e.target.value))
          onChange({ ...value, farClutterDb: Number(e.target.value) })
        }}
        sx={{ minWidth: 210 }}
      >
        {CLUTTER.map(([name, db]) => (
          <MenuItem key={name} value={db}>
            {name}, {db} dB
          </MenuItem>
        ))}
      </TextField>
      <NumberBox
        label="or"
        unit="dB"
        value={clutter}
        problem={bad}
        onChange={(t) => {
          setClutter(t)
          const n = numberIn(t)
          if (n !== null && n >= 0 && n <= 60) onChange({ ...value, farClutterDb: n })
        }}
        sx={{ width: 100 }}
      />
    </Box>
  )
}
