'use client'

import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import { distanceText, type Units } from '@/core/units'
import { CopyButton } from '@/ui/fields/CopyButton'
import type { Lane, Post } from './model'

type Row = { lane: Lane; post: Post }

/** Every check of the strip in a line of its own. */
export function StripRows({
  rows,
  units,
  csv,
}: {
  rows: readonly Row[]
  units: Units
  csv: () => Promise<string>
}) {
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
