'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { distanceUnit, fromShown, toShown, type Units } from '@/core/units'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import type { AreaToCover } from './areasToCover'
import type { Settings } from '../frame/ruleParams'
import { useSettings } from '../frame/useSettings'

interface Props {
  runId: string
  settings: Settings
  areas: Pick<AreaToCover, 'id' | 'name'>[]
  units: Units
}

/** What is needed: how far it must be copied, beyond where it must not be heard, which area is to be covered. */
export function NeedForm({ runId, settings, areas, units }: Props) {
  const { turn } = useSettings(settings, runId)
  const { need } = settings
  const unit = distanceUnit(units)
  const shown = (m: number | null) =>
    m === null ? '' : String(Number(toShown(m / 1000, 'km', units).toFixed(3)))
  const [floor, setFloor] = useState(shown(need.floorM))
  const [ceiling, setCeiling] = useState(shown(need.ceilingM))
  const [areaId, setAreaId] = useState(areas.some((a) => a.id === settings.areaId) ? settings.areaId : null)
  const problem = (t: string) => (t.trim() === '' ? null : numberProblem(t, { above: 0, max: 2000 }, unit))
  const metres = (t: string) =>
    numberIn(t) === null ? null : Math.round(fromShown(numberIn(t)!, 'km', units) * 1000)
  const wrong = problem(floor) !== null || problem(ceiling) !== null
  return (
    <Box
      component="form"
      className="no-print"
      onSubmit={(e) => {
        e.preventDefault()
        if (!wrong) turn({ need: { floorM: metres(floor), ceilingM: metres(ceiling) }, areaId })
      }}
      sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 1.5 }}
    >
      <NumberBox
        label="Copied out to"
        unit={unit}
        value={floor}
        problem={problem(floor)}
        onChange={setFloor}
        sx={{ width: 170 }}
      />
      <NumberBox
        label="Not heard beyond"
        unit={unit}
        value={ceiling}
        problem={problem(ceiling)}
        onChange={setCeiling}
        sx={{ width: 170 }}
      />
      {areas.length > 0 && (
        <TextField
          select
          label="Area to cover"
          value={areaId ?? ''}
          onChange={(e) => setAreaId(e.target.value || null)}
          sx={{ minWidth: 190, maxWidth: '100%' }}
        >
          <Option value="">none</Option>
          {areas.map((a) => (
            <Option key={a.id} value={a.id}>
              {a.name}
            </Option>
          ))}
        </TextField>
      )}
      <Button type="submit" variant="outlined" disabled={wrong}>
        Hold it against the rigs
      </Button>
    </Box>
  )
}
