'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import type { RuleSet } from '@/core/kit'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { saveRuleSet } from './actions'
import { RowTable, type Row } from './RowTable'

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

const BLANK_SERVICE: Row = {
  name: '',
  fromMHz: '',
  toMHz: '',
  maxPowerW: '',
  maxErpW: '',
  maxAntennaHeightM: '',
  externalAntenna: true,
}
const BLANK_LIMIT: Row = { fromMHz: '', toMHz: '', limitWm2: '', perMHz: '' }

interface Props {
  id: string
  revision: number
  rules: RuleSet
  onDone: () => void
}

/** A rule set as tables to edit. */
export function RuleSetForm({ id, revision, rules, onDone }: Props) {
  const [name, setName] = useState(rules.name)
  const [note, setNote] = useState(rules.note)
  const [services, setServices] = useState<Row[]>(rules.services.map(rowOf))
  const [exposure, setExposure] = useState<Row[]>(rules.exposure.map(rowOf))
  const action = useAction()
  const raw = { name, note, services: services.map(stored), exposure: exposure.map(stored) }
  const [begun] = useState(() => JSON.stringify(raw))
  useUnsaved(JSON.stringify(raw) !== begun && !action.busy)
  const save = () => action.run(() => saveRuleSet(id, revision, raw), onDone)
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
        <RowTable
          what="Service"
          columns={SERVICE_COLUMNS}
          tick={{ key: 'externalAntenna', title: 'Other antenna', label: 'other antenna allowed' }}
          rows={services}
          blank={BLANK_SERVICE}
          addWords="Add a service"
          onRows={setServices}
        />
        <Box component="h3" sx={{ mb: 0.5 }}>
          Limits for people near an antenna
        </Box>
        <RowTable
          what="Limit"
          columns={EXPOSURE_COLUMNS}
          rows={exposure}
          blank={BLANK_LIMIT}
          addWords="Add a limit"
          onRows={setExposure}
        />
      </Box>
      {action.refusal('Nothing was saved')}
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
        <Button type="submit" variant="contained">
          Save the rules
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </Box>
    </Box>
  )
}
