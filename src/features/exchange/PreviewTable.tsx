'use client'

import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import { readingText } from '@/core/reports'
import { distanceText, type Units } from '@/core/units'
import type { PreviewRow } from './dayDraft'

/** Every row as it will be read. */
export function PreviewTable({ rows, units }: { rows: PreviewRow[]; units: Units }) {
  const distances = rows.some((r) => r.row.distanceM !== null)
  return (
    <Box
      sx={{ maxHeight: 340, overflow: 'auto', border: '1px solid var(--rule)' }}
      tabIndex={0}
      role="region"
      aria-label="Preview of every row"
    >
      <Table size="small" stickyHeader>
        <TableHead>
          <TableRow>
            {[
              'Line',
              'Mark',
              ...(distances ? ['Distance'] : []),
              'Rig',
              'Direction',
              'As given',
              'Read as',
              'Calls',
            ].map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(({ row, reading }) => (
            <TableRow key={`${row.line} ${row.rig} ${row.direction}`}>
              <TableCell>{row.line}</TableCell>
              <TableCell>{row.mark}</TableCell>
              {distances && (
                <TableCell>{row.distanceM === null ? '' : distanceText(row.distanceM, units)}</TableCell>
              )}
              <TableCell>{row.rig}</TableCell>
              <TableCell>{row.direction}</TableCell>
              <TableCell>{row.report}</TableCell>
              <TableCell sx={{ color: reading.state === 'not read' ? 'var(--bad)' : undefined }}>
                {readingText(reading)}
              </TableCell>
              <TableCell>{row.calls}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  )
}
