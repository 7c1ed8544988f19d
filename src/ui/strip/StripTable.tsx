'use client'

import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import { useState } from 'react'
import { csvLater } from '@/ui/fields/csvLater'
import { distanceText, type Units } from '@/core/units'
import { CopyButton } from '@/ui/fields/CopyButton'
import type { Lane, Post, StripModel } from './model'

/** The strip's twin for screen readers and for copying. */
export function StripTable({ model, units }: { model: StripModel; units: Units }) {
  const rows = model.lanes.flatMap((lane) => lane.posts.map((post) => ({ lane, post })))
  const csv = () =>
    csvLater(
      ['link', 'leg', 'mark', 'distance_m', 'direction', 'repeat', 'report', 'remark'],
      rows.map(({ lane, post }) => [
        lane.name,
        post.legName,
        post.markName,
        Math.round(post.distanceM),
        post.direction,
        post.repeat,
        post.said,
        post.remark,
      ]),
    )
  // Made when it is opened: it is as long as the log.
  const [open, setOpen] = useState(false)
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary style={{ cursor: 'pointer', padding: '6px 0' }}>
        The strip as a table, {rows.length} checks
      </summary>
      {open && <Rows rows={rows} units={units} csv={csv} />}
    </details>
  )
}

type Row = { lane: Lane; post: Post }

function Rows({ rows, units, csv }: { rows: readonly Row[]; units: Units; csv: () => Promise<string> }) {
  return (
    <>
      <CopyButton text={csv} label="Copy the checks as CSV" />
      <Box sx={{ overflowX: 'auto', maxHeight: 420 }} tabIndex={0} role="region" aria-label="Checks">
        <Table size="small" stickyHeader>
          <TableHead>
            <TableRow>
              {['Link', 'Leg', 'Mark', 'Distance', 'Direction', 'Report', 'Remark'].map((h) => (
                <TableCell key={h}>{h}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map(({ lane, post }) => (
              <TableRow key={`${lane.id} ${post.id}`}>
                <TableCell>
                  {lane.letter}, {lane.name}
                </TableCell>
                <TableCell>{post.legName}</TableCell>
                <TableCell>{post.markName}</TableCell>
                <TableCell>{distanceText(post.distanceM, units)}</TableCell>
                <TableCell>{post.direction}</TableCell>
                <TableCell>{post.said}</TableCell>
                <TableCell>{post.remark}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </>
  )
}
