'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { CONNECTOR_FAMILIES, type ConnectorEnd } from '@/core/kit'

interface Props {
  label: string
  value: ConnectorEnd | null
  needed: boolean
  error?: string
  help?: string
  onChange: (end: ConnectorEnd | null) => void
}

/** A connector: its family, and which half; contacts exchanged where the family is made so. */
export function ConnectorField({ label, value, needed, error, help, onChange }: Props) {
  const half = value ? `${value.reverse ? 'reverse ' : ''}${value.gender}` : ''
  const family = CONNECTOR_FAMILIES.find((f) => f.id === value?.family)
  const halves = ['male', 'female', ...(family?.hasReverse ? ['reverse male', 'reverse female'] : [])]
  const setFamily = (id: string) => {
    const next = CONNECTOR_FAMILIES.find((f) => f.id === id)
    onChange(
      next
        ? {
            family: id,
            gender: value?.gender ?? 'female',
            reverse: Boolean(value?.reverse && next.hasReverse),
          }
        : null,
    )
  }
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1.3fr 1fr', gap: 0.75 }}>
      <TextField
        select
        label={label}
        value={value?.family ?? ''}
        onChange={(e) => setFamily(e.target.value)}
        error={Boolean(error)}
        helperText={error ?? help}
      >
        {!needed && <Option value="">none</Option>}
        {CONNECTOR_FAMILIES.map((f) => (
          <Option key={f.id} value={f.id}>
            {f.name}
          </Option>
        ))}
      </TextField>
      <TextField
        select
        label="half"
        value={half}
        disabled={!value}
        onChange={(e) =>
          value &&
          onChange({
            ...value,
            gender: e.target.value.endsWith('female') ? 'female' : 'male',
            reverse: e.target.value.startsWith('reverse'),
          })
        }
        aria-label={`${label}, half`}
      >
        {halves.map((h) => (
          <Option key={h} value={h}>
            {h}
          </Option>
        ))}
      </TextField>
    </Box>
  )
}
