'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { PART_FIELDS, startSpec, type PartKind } from '@/core/kit'
import { fromShown, shownUnit, toShown, type Units } from '@/core/units'
import type { KitPart } from '@/data/parts'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { Refused } from '@/ui/shell'
import { KIND_NAMES } from '../partWords'
import { savePart } from './actions'
import { draftOfSpec, specOfDraft, turnDraft, turnNumber } from './specDraft'
import { SpecFields } from './SpecFields'

interface Props {
  kind: PartKind
  part: KitPart | null
  units: Units
  onDone: (id: string | null) => void
}

const COMMON = [
  { name: 'owned', label: 'How many', unit: '' },
  { name: 'weightG', label: 'Weight of one', unit: 'g' },
  { name: 'wornMm', label: 'Sticks out', unit: 'mm' },
  { name: 'price', label: 'Price of one', unit: '' },
] as const

/** A field's own label, for the list of what is wrong. */
function fieldName(kind: PartKind, path: string): string {
  const name = path.replace(/^spec\./, '').split('.')[0]!
  return (
    PART_FIELDS[kind].find((f) => f.name === name)?.label ??
    COMMON.find((c) => c.name === name)?.label ??
    'Name'
  )
}

/** Adds or changes a part. */
export function PartForm({ kind, part, units, onDone }: Props) {
  const [spec, setSpec] = useState(() => draftOfSpec(kind, part?.spec ?? startSpec(kind), units))
  const [common, setCommon] = useState<Record<string, string>>(() => ({
    name: part?.name ?? '',
    note: part?.note ?? '',
    ...Object.fromEntries(
      COMMON.map(({ name, unit }) => {
        const value = part ? part[name] : name === 'owned' ? 1 : null
        return [name, value === null ? '' : String(toShown(value, unit, units))]
      }),
    ),
  }))
  useUnitsChange(units, (from, to) => {
    setSpec((s) => turnDraft(kind, s, from, to))
    setCommon((c) => ({
      ...c,
      ...Object.fromEntries(COMMON.map(({ name, unit }) => [name, turnNumber(c[name]!, unit, from, to)])),
    }))
  })
  const action = useAction()
  const [begun] = useState(() => JSON.stringify([spec, common]))
  useUnsaved(JSON.stringify([spec, common]) !== begun && !action.busy)
  const errors: Record<string, string> = Object.fromEntries(
    action.problems.filter((p) => p.where !== '').map((p) => [p.where, p.message]),
  )
  const set = (name: string, value: string) => setCommon((c) => ({ ...c, [name]: value }))
  const metric = (name: string, unit: string) => {
    const text = common[name]!.trim().replace(',', '.')
    return text !== '' && !Number.isNaN(Number(text)) ? fromShown(Number(text), unit, units) : common[name]
  }
  const save = () => {
    const numbers = Object.fromEntries(COMMON.map(({ name, unit }) => [name, metric(name, unit)]))
    const raw = {
      kind,
      name: common.name,
      note: common.note,
      ...numbers,
      spec: specOfDraft(kind, spec, units),
    }
    return action.run(() => savePart(part?.id ?? null, part?.revision ?? 0, raw), onDone)
  }
  return (
    <Box
      component="form"
      noValidate
      aria-label={part ? `Change ${part.name}` : `New ${KIND_NAMES[kind][0].toLowerCase()}`}
      onSubmit={(e) => {
        e.preventDefault()
        void save()
      }}
    >
      <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
        {part ? part.name : `New ${KIND_NAMES[kind][0].toLowerCase()}`}
      </Typography>
      <TextField
        label="Name"
        value={common.name}
        onChange={(e) => set('name', e.target.value)}
        error={Boolean(errors.name)}
        helperText={errors.name ?? 'A generic one, such as “Handheld UHF, 2 W”'}
        fullWidth
        sx={{ mb: 2 }}
      />
      <SpecFields
        kind={kind}
        draft={spec}
        errors={errors}
        units={units}
        onChange={(n, v) => setSpec((s) => ({ ...s, [n]: v }))}
      />
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))',
          mt: 2.5,
          pt: 2,
          borderTop: '1px solid var(--rule)',
        }}
      >
        {COMMON.map(({ name, label, unit }) => (
          <TextField
            key={name}
            label={unit ? `${label}, ${shownUnit(unit, units)}` : label}
            value={common[name]}
            onChange={(e) => set(name, e.target.value)}
            error={Boolean(errors[name])}
            helperText={errors[name]}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
        ))}
      </Box>
      <TextField
        label="Notes"
        value={common.note}
        onChange={(e) => set('note', e.target.value)}
        multiline
        minRows={2}
        fullWidth
        sx={{ mt: 1.5 }}
        error={Boolean(errors.note)}
        helperText={errors.note}
      />
      {action.problems.length > 0 && (
        <Refused
          title="Nothing was saved"
          problems={action.problems.map((p) => ({ ...p, where: p.where && fieldName(kind, p.where) }))}
        />
      )}
      <Box sx={{ display: 'flex', gap: 1, mt: 2 }}>
        <Button type="submit" variant="contained" disabled={action.busy}>
          {part ? 'Save the part' : 'Add the part'}
        </Button>
        <Button onClick={() => onDone(null)}>Leave it</Button>
      </Box>
    </Box>
  )
}
