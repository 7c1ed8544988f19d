'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import InputAdornment from '@mui/material/InputAdornment'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { PART_FIELDS, type ConnectorEnd, type PartField, type PartKind } from '@/core/kit'
import { shownUnit, type Units } from '@/core/units'
import { ConnectorField } from './ConnectorField'
import type { DraftValue, SpecDraft } from './specDraft'

interface Props {
  kind: PartKind
  draft: SpecDraft
  errors: Record<string, string>
  units: Units
  onChange: (name: string, value: DraftValue) => void
}

/** The fields of a kind of part, one after the other, from its table. */
export function SpecFields({ kind, draft, errors, units, onChange }: Props) {
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: 'repeat(auto-fill, minmax(200px, 1fr))',
        alignItems: 'start',
      }}
    >
      {PART_FIELDS[kind].map((field) => (
        <Box key={field.name}>
          <SpecField
            field={field}
            value={draft[field.name] ?? null}
            error={errors[`spec.${field.name}`] ?? errors[`spec.${field.name}.value`]}
            units={units}
            onChange={(v) => onChange(field.name, v)}
          />
        </Box>
      ))}
    </Box>
  )
}

function SpecField({
  field,
  value,
  error,
  units,
  onChange,
}: {
  field: PartField
  value: DraftValue
  error: string | undefined
  units: Units
  onChange: (value: DraftValue) => void
}) {
  const common = {
    label: field.label,
    error: Boolean(error),
    helperText: error ?? field.help,
    fullWidth: true,
  }
  if (field.type === 'connector')
    return (
      <ConnectorField
        label={field.label}
        value={value as ConnectorEnd | null}
        needed={field.needed}
        error={error}
        help={field.help}
        onChange={onChange}
      />
    )
  if (field.type === 'flag')
    return (
      <FormControlLabel
        control={<Checkbox checked={Boolean(value)} onChange={(e) => onChange(e.target.checked)} />}
        label={field.label}
      />
    )
  if (field.type === 'choice')
    return (
      <TextField {...common} select value={value ?? ''} onChange={(e) => onChange(e.target.value)}>
        {field.options.map((o) => (
          <Option key={o.label} value={o.value ?? ''}>
            {o.label}
          </Option>
        ))}
      </TextField>
    )
  if (field.type === 'gain') {
    const gain = value as { value: string; reference: string }
    return (
      <Box sx={{ display: 'grid', gridTemplateColumns: '1.2fr 1fr', gap: 0.75 }}>
        <TextField
          {...common}
          value={gain.value}
          onChange={(e) => onChange({ ...gain, value: e.target.value })}
        />
        <TextField
          select
          label="against"
          value={gain.reference}
          onChange={(e) => onChange({ ...gain, reference: e.target.value })}
          aria-label={`${field.label}, against what`}
        >
          <Option value="">not said</Option>
          <Option value="dBi">dBi, isotropic</Option>
          <Option value="dBd">dBd, dipole</Option>
        </TextField>
      </Box>
    )
  }
  const unit = field.type === 'number' && field.unit ? shownUnit(field.unit, units) : null
  return (
    <TextField
      {...common}
      value={(value as string) ?? ''}
      multiline={field.type === 'pairs'}
      minRows={field.type === 'pairs' ? 2 : undefined}
      maxRows={8}
      onChange={(e) => onChange(e.target.value)}
      slotProps={{
        ...(unit ? { input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> } } : {}),
        ...(unit ? { inputLabel: { shrink: true } } : {}),
        htmlInput: { inputMode: field.type === 'number' ? 'decimal' : undefined },
      }}
    />
  )
}
