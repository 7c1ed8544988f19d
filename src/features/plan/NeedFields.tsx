'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { distanceUnit, fromShown, toShown, type Units } from '@/core/units'
import type { PlanInput } from '@/data/trials'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'

type Need = Pick<PlanInput, 'reliability' | 'needFloorM' | 'needCeilingM'>

const RELIABILITIES: [number, string][] = [
  [0.5, 'half the time'],
  [0.8, '8 times in ten'],
  [0.9, '9 times in ten'],
  [0.95, '19 times in twenty'],
]

interface Props {
  value: Need
  units: Units
  onChange: (need: Need) => void
}

/** What would be enough: copied to here, this often; and, where being heard too far is unwanted, not beyond there. */
export function NeedFields({ value, units, onChange }: Props) {
  const unit = distanceUnit(units)
  const shown = (m: number | null) =>
    m === null ? '' : String(Number(toShown(m / 1000, 'km', units).toFixed(3)))
  const [floor, setFloor] = useState(shown(value.needFloorM))
  const [ceiling, setCeiling] = useState(shown(value.needCeilingM))
  useUnitsChange(units, () => {
    setFloor(shown(value.needFloorM))
    setCeiling(shown(value.needCeilingM))
  })
  const problem = (text: string) =>
    text.trim() === '' ? null : numberProblem(text, { above: 0, max: 2000 }, unit)
  const metres = (text: string) => {
    const n = numberIn(text)
    return n === null || problem(text) !== null ? null : fromShown(n, 'km', units) * 1000
  }
  const usual = RELIABILITIES.some(([r]) => r === value.reliability)
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
      <NumberBox
        label="Copied out to"
        unit={unit}
        value={floor}
        problem={problem(floor)}
        helperText="Empty where none is needed"
        onChange={(t) => {
          setFloor(t)
          onChange({ ...value, needFloorM: metres(t) })
        }}
        sx={{ width: 190 }}
      />
      <TextField
        select
        label="How often"
        value={value.reliability}
        onChange={(e) => onChange({ ...value, reliability: Number(e.target.value) })}
        sx={{ width: 190 }}
      >
        {!usual && (
          <Option value={value.reliability}>{Math.round(value.reliability * 100)} in a hundred</Option>
        )}
        {RELIABILITIES.map(([r, words]) => (
          <Option key={r} value={r}>
            {words}
          </Option>
        ))}
      </TextField>
      <NumberBox
        label="Not heard beyond"
        unit={unit}
        value={ceiling}
        problem={problem(ceiling)}
        helperText="Where too far is unwanted"
        onChange={(t) => {
          setCeiling(t)
          onChange({ ...value, needCeilingM: metres(t) })
        }}
        sx={{ width: 190 }}
      />
    </Box>
  )
}
