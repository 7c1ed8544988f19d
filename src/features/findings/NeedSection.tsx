'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { decide, decisionWords, type Burden, type Findings } from '@/core/findings'
import type { TrialPlan } from '@/core/trial'
import { distanceUnit, fromShown, toShown, type Units } from '@/core/units'
import { Table } from '@/ui/table/Table'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { needOf, type AreaToCover } from './areasToCover'
import type { Settings } from './ruleParams'

interface Props {
  plan: TrialPlan
  findings: Findings
  settings: Settings
  burdens: [string, Burden][]
  areas: AreaToCover[]
  units: Units
  onNeed: (change: Pick<Settings, 'need' | 'areaId'>) => void
}

const pounds = (g: number, units: Units) =>
  units === 'metric'
    ? g >= 1000
      ? `${(g / 1000).toFixed(1)} kg`
      : `${Math.round(g)} g`
    : `${(g / 28.35).toFixed(0)} oz`

function burdenText(b: Burden | null, units: Units): string {
  if (!b) return 'not in the kit any more'
  const parts = [
    b.wornMm !== null &&
      (units === 'metric'
        ? `${Math.round(b.wornMm / 10)} cm worn`
        : `${(b.wornMm / 25.4).toFixed(0)} in worn`),
    b.weightG !== null && pounds(b.weightG, units),
    b.price !== null && `price ${b.price}`,
    `${b.powerW} W`,
  ]
  return parts.filter(Boolean).join(', ')
}

/** Is it enough: the rigs against what is needed, the least burdensome that meets it first. */
export function NeedSection({ plan, findings, settings, burdens, areas, units, onNeed }: Props) {
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
  const name = (id: string) => plan.links.find((l) => l.id === id)?.name ?? id
  const answers = decide(findings, plan.links, needOf(settings, areas), new Map(burdens), units)
  return (
    <Box component="section" aria-label="Is it enough" sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Is it enough?
      </Typography>
      <Box
        component="form"
        className="no-print"
        onSubmit={(e) => {
          e.preventDefault()
          if (!wrong) onNeed({ need: { floorM: metres(floor), ceilingM: metres(ceiling) }, areaId })
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
            <MenuItem value="">none</MenuItem>
            {areas.map((a) => (
              <MenuItem key={a.id} value={a.id}>
                {a.name}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Button type="submit" variant="outlined" disabled={wrong}>
          Hold it against the rigs
        </Button>
      </Box>
      {answers.length === 0 ? (
        <p style={{ margin: 0 }}>
          Say how far it must be copied, or beyond where it must not be heard
          {areas.length > 0 ? ', or pick an area that is to be covered' : ''}.
        </p>
      ) : (
        <>
          <Typography sx={{ fontWeight: 700, fontSize: '1.1rem' }}>{decisionWords(answers, name)}</Typography>
          <Table
            label="The need"
            wide
            stacks
            minPx={680}
            head={
              <>
                <th>Link</th>
                <th>The need</th>
                <th>Why</th>
                <th>Burden</th>
              </>
            }
          >
            {answers.map((a) => (
              <tr key={a.linkId}>
                <td>{name(a.linkId)}</td>
                <td data-label="The need">
                  <b>{a.met}</b>
                </td>
                <td data-label="Why">{a.why}</td>
                <td data-label="Burden">{burdenText(a.burden, units)}</td>
              </tr>
            ))}
          </Table>
        </>
      )}
    </Box>
  )
}
