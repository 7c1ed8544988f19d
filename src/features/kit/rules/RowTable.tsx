'use client'

import { Table } from '@/ui/table/Table'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import { TextField } from '@/ui/fields/TextField'

/** A row as it is typed. */
export type Row = Record<string, string | boolean>

/** A column of figures or words: its key, its heading, its width in px. */
type Column = readonly [key: string, title: string, width: number]

interface Props {
  /** What one row is, for its labels: "Service". */
  what: string
  columns: readonly Column[]
  /** A column to tick, at the end. */
  tick?: { key: string; title: string; label: string }
  rows: Row[]
  blank: Row
  addWords: string
  onRows: (rows: Row[]) => void
}

/** Rows of fields to edit, delete and add to. */
export function RowTable({ what, columns, tick, rows, blank, addWords, onRows }: Props) {
  const edit = (i: number, key: string, value: string | boolean) =>
    onRows(rows.map((r, j) => (j === i ? { ...r, [key]: value } : r)))
  return (
    <>
      <Table
        label={`${what}s`}
        head={
          <>
            {columns.map(([key, title]) => (
              <th key={key}>{title}</th>
            ))}
            {tick && <th>{tick.title}</th>}
            <th>
              <span className="visually-hidden">Delete</span>
            </th>
          </>
        }
      >
        {rows.map((row, i) => (
          <tr key={i}>
            {columns.map(([key, title, width]) => (
              <td key={key}>
                <TextField
                  value={row[key] ?? ''}
                  onChange={(e) => edit(i, key, e.target.value)}
                  sx={{ width }}
                  aria-label={`${what} ${i + 1}, ${title}`}
                />
              </td>
            ))}
            {tick && (
              <td>
                <Checkbox
                  checked={row[tick.key] === true}
                  onChange={(e) => edit(i, tick.key, e.target.checked)}
                  slotProps={{ input: { 'aria-label': `${what} ${i + 1}, ${tick.label}` } }}
                />
              </td>
            )}
            <td>
              <Button
                size="small"
                onClick={() => onRows(rows.filter((_, j) => j !== i))}
                aria-label={`Delete ${what.toLowerCase()} ${i + 1}`}
              >
                Delete
              </Button>
            </td>
          </tr>
        ))}
      </Table>
      <Button size="small" onClick={() => onRows([...rows, blank])}>
        {addWords}
      </Button>
    </>
  )
}
