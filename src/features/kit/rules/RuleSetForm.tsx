'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import type { Problem } from '@/core/formats/problem'
import type { RuleSet } from '@/core/kit'
import { Refused } from '@/ui/shell'
import { saveRuleSet } from './actions'

type Row = Record<string, string | boolean>

const SERVICE_COLUMNS = [
  ['name', 'Service', 240],
  ['fromMHz', 'From, MHz', 96],
  ['toMHz', 'To, MHz', 96],
  ['maxPowerW', 'Power, W', 84],
  ['maxErpW', 'ERP, W', 84],
  ['maxAntennaHeightM', 'Height, m', 84],
] as const
const EXPOSURE_COLUMNS = [
  ['fromMHz', 'From, MHz', 110],
  ['toMHz', 'To, MHz', 110],
  ['limitWm2', 'Limit, W/m²', 110],
  ['perMHz', 'or f divided by', 130],
] as const

const text = (v: unknown) => (v === null || v === undefined ? '' : typeof v === 'boolean' ? v : String(v))
const rowOf = (o: object): Row => Object.fromEntries(Object.entries(o).map(([k, v]) => [k, text(v)]))
const value = (key: string, v: string | boolean) => {
  if (typeof v === 'boolean' || key === 'name') return v
  const t = v.trim().replace(',', '.')
  return t === '' ? null : Number.isNaN(Number(t)) ? t : Number(t)
}
const stored = (r: Row) => Object.fromEntries(Object.entries(r).map(([k, v]) => [k, value(k, v)]))

function Cells({
  row,
  columns,
  onChange,
  label,
}: {
  row: Row
  columns: readonly (readonly [string, string, number])[]
  onChange: (key: string, v: string) => void
  label: string
}) {
  return columns.map(([key, title, width]) => (
    <td key={key}>
      <TextField
        value={row[key] ?? ''}
        onChange={(e) => onChange(key, e.target.value)}
        sx={{ width }}
        slotProps={{ htmlInput: { 'aria-label': `${label}, ${title}` } }}
      />
    </td>
  ))
}

/** A rule set as a table to edit. */
export function RuleSetForm({
  id,
  revision,
  rules,
  onDone,
}: {
  id: string
  revision: number
  rules: RuleSet
  onDone: () => void
}) {
  const [name, setName] = useState(rules.name)
  const [note, setNote] = useState(rules.note)
  const [services, setServices] = useState<Row[]>(rules.services.map(rowOf))
  const [exposure, setExposure] = useState<Row[]>(rules.exposure.map(rowOf))
  const [problems, setProblems] = useState<Problem[]>([])
  const edit = (set: typeof setServices, i: number) => (key: string, v: string | boolean) =>
    set((rows) => rows.map((r, j) => (j === i ? { ...r, [key]: v } : r)))
  const save = async () => {
    const result = await saveRuleSet(id, revision, {
      name,
      note,
      services: services.map(stored),
      exposure: exposure.map(stored),
    })
    setProblems(result.ok ? [] : result.problems)
    if (result.ok) onDone()
  }
  const table = {
    component: 'table',
    sx: {
      '& th': { textAlign: 'left', fontWeight: 400, color: 'var(--soft)' },
      '& td': { pr: 0.75, pb: 0.75 },
    },
  } as const
  return (
    <Box
      component="form"
      noValidate
      aria-label={`Change ${rules.name}`}
      onSubmit={(e) => {
        e.preventDefault()
        void save()
      }}
      sx={{ background: 'var(--raised)', border: '1px solid var(--rule)', p: 2, mt: 1 }}
    >
      <Box sx={{ display: 'grid', gap: 1.5, mb: 2 }}>
        <TextField label="Name of the rules" value={name} onChange={(e) => setName(e.target.value)} />
        <TextField label="Note" value={note} onChange={(e) => setNote(e.target.value)} />
      </Box>
      <Box sx={{ overflowX: 'auto' }}>
        <Box {...table}>
          <thead>
            <tr>
              {SERVICE_COLUMNS.map(([k, t]) => (
                <th key={k}>{t}</th>
              ))}
              <th>Other antenna</th>
              <th>
                <span className="visually-hidden">Delete</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {services.map((s, i) => (
              <tr key={i}>
                <Cells
                  row={s}
                  columns={SERVICE_COLUMNS}
                  label={`Service ${i + 1}`}
                  onChange={edit(setServices, i)}
                />
                <td>
                  <Checkbox
                    checked={s.externalAntenna === true}
                    onChange={(e) => edit(setServices, i)('externalAntenna', e.target.checked)}
                    slotProps={{ input: { 'aria-label': `Service ${i + 1}, other antenna allowed` } }}
                  />
                </td>
                <td>
                  <Button size="small" onClick={() => setServices((r) => r.filter((_, j) => j !== i))}>
                    Delete
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </Box>
        <Button
          size="small"
          onClick={() =>
            setServices((r) => [
              ...r,
              {
                name: '',
                fromMHz: '',
                toMHz: '',
                maxPowerW: '',
                maxErpW: '',
                maxAntennaHeightM: '',
                externalAntenna: true,
              },
            ])
          }
        >
          Add a service
        </Button>
        <Box component="h3" sx={{ mb: 0.5 }}>
          Limits for people near an antenna
        </Box>
        <Box {...table}>
          <thead>
            <tr>
              {EXPOSURE_COLUMNS.map(([k, t]) => (
                <th key={k}>{t}</th>
              ))}
              <th>
                <span className="visually-hidden">Delete</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {exposure.map((s, i) => (
              <tr key={i}>
                <Cells
                  row={s}
                  columns={EXPOSURE_COLUMNS}
                  label={`Limit ${i + 1}`}
                  onChange={edit(setExposure, i)}
                />
                <td>
                  <Button size="small" onClick={() => setExposure((r) => r.filter((_, j) => j !== i))}>
                    Delete
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </Box>
        <Button
          size="small"
          onClick={() => setExposure((r) => [...r, { fromMHz: '', toMHz: '', limitWm2: '', perMHz: '' }])}
        >
          Add a limit
        </Button>
      </Box>
      {problems.length > 0 && <Refused title="Nothing was saved" problems={problems} />}
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
        <Button type="submit" variant="contained">
          Save the rules
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </Box>
    </Box>
  )
}
