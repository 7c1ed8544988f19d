'use client'

import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'

interface Props {
  /** Ids and names. */
  legs: readonly (readonly [string, string])[]
  /** Null for all. */
  leg: string | null
  onChange: (leg: string | null) => void
}

/** More legs than these are a list. */
const MAX_BUTTONS = 5

/** Which leg the strip shows. */
export function LegPicker({ legs, leg, onChange }: Props) {
  const options = [['', 'All legs'] as const, ...legs]
  if (legs.length <= MAX_BUTTONS)
    return (
      <ToggleButtonGroup
        exclusive
        size="small"
        value={leg ?? ''}
        onChange={(_, v: string | null) => v !== null && onChange(v || null)}
        aria-label="Leg shown"
      >
        {options.map(([id, name]) => (
          <ToggleButton key={id} value={id}>
            {name}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    )
  return (
    <TextField
      select
      label="Leg shown"
      value={leg ?? ''}
      onChange={(e) => onChange(e.target.value || null)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ minWidth: 200 }}
    >
      {options.map(([id, name]) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  )
}
