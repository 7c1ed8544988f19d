'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { MAX_LETTERS } from '@/core/schema/limits'
import { fromLength, lengthUnit, toLength, type Units } from '@/core/units'
import type { AreaKind } from '@/data/areas'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { AREA_KINDS, AREA_WORDS, usualHeightM } from './areaWords'

interface FieldsProps {
  start: { name: string; kind: AreaKind; heightM: number }
  units: Units
  verb: string
  onSave: (fields: { name: string; kind: AreaKind; heightM: number }) => void
  onLeave: () => void
}

/** What an area is called, what stands there, and how high. */
export function AreaFields({ start, units, verb, onSave, onLeave }: FieldsProps) {
  const shown = (m: number, u = units) => String(Number(toLength(m, u).toFixed(1)))
  const [name, setName] = useState(start.name)
  const [kind, setKind] = useState(start.kind)
  const [height, setHeight] = useState(shown(start.heightM))
  useUnitsChange(units, (from, to) =>
    setHeight((t) => (numberIn(t) === null ? t : shown(fromLength(numberIn(t)!, from), to))),
  )
  const problem =
    kind === 'to cover'
      ? null
      : numberProblem(height, { min: 0, max: toLength(120, units) }, lengthUnit(units))
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr', my: 1.5 }}>
      <TextField
        label="Name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name } }}
      />
      <TextField
        select
        label="What is there"
        value={kind}
        onChange={(e) => {
          const next = e.target.value as AreaKind
          setKind(next)
          setHeight(shown(usualHeightM(next)))
        }}
      >
        {AREA_KINDS.map((k) => (
          <Option key={k} value={k}>
            {AREA_WORDS[k]}
          </Option>
        ))}
      </TextField>
      {kind !== 'to cover' && kind !== 'open' && (
        <NumberBox
          label={kind === 'wood' ? 'Height of the trees' : 'Height of what stands there'}
          unit={lengthUnit(units)}
          value={height}
          problem={problem}
          onChange={setHeight}
        />
      )}
      <Box sx={{ gridColumn: 'span 2', display: 'flex', gap: 1 }}>
        <Button
          variant="contained"
          disabled={problem !== null}
          onClick={() =>
            onSave({
              name: name.trim(),
              kind,
              heightM: kind === 'to cover' ? 0 : fromLength(numberIn(height) ?? 0, units),
            })
          }
        >
          {verb}
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </Box>
    </Box>
  )
}
