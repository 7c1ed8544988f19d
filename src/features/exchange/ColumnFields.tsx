'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { CHECK_COLUMNS, COLUMN_NAMES, NEEDED, type ColumnMatch, type CsvTable } from '@/core/formats'

interface Props {
  table: CsvTable
  value: ColumnMatch
  onChange: (m: ColumnMatch) => void
}

/** The first thing that stands in a column. */
function exampleOf({ rows }: CsvTable, column: number): string {
  const first = rows.find((r) => (r.cells[column] ?? '') !== '')?.cells[column]
  return first === undefined ? 'Empty' : `e.g. ${first.slice(0, 24)}`
}

/** Which column of the file holds what; guessed from the headings. */
export function ColumnFields({ table, value, onChange }: Props) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(5, 1fr)' }, gap: 1.5 }}>
      {CHECK_COLUMNS.map((c) => (
        <TextField
          key={c}
          select
          label={COLUMN_NAMES[c]}
          value={value[c] ?? -1}
          error={NEEDED.includes(c) && value[c] === null}
          helperText={value[c] === null ? (NEEDED.includes(c) ? 'Needed' : '') : exampleOf(table, value[c]!)}
          onChange={(e) =>
            onChange({ ...value, [c]: Number(e.target.value) < 0 ? null : Number(e.target.value) })
          }
        >
          <Option value={-1}>none</Option>
          {table.heading.map((h, i) => (
            <Option key={i} value={i}>
              {h || `column ${i + 1}`}
            </Option>
          ))}
        </TextField>
      ))}
    </Box>
  )
}
