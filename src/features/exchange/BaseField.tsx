'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { countText } from '@/core/units'

interface Props {
  bases: { name: string; rows: number }[]
  value: string
  onChange: (base: string) => void
}

/** Which base of a file that has several is brought in now: each is a trial of its own. */
export function BaseField({ bases, value, onChange }: Props) {
  return (
    <Box sx={{ mt: 2, maxWidth: 760 }}>
      <Box sx={{ mb: 1.5 }}>
        This file has checks with {bases.length} bases. Distances are measured from the base, so each is a
        trial of its own: bring in one now, and open the same file again for the next.
      </Box>
      <TextField
        select
        label="Bring in the checks with"
        value={value}
        onChange={(e) => onChange(e.target.value)}
        sx={{ minWidth: 280 }}
      >
        {bases.map((b) => (
          <Option key={b.name} value={b.name}>
            {b.name}, {countText(b.rows, 'row')}
          </Option>
        ))}
      </TextField>
    </Box>
  )
}
