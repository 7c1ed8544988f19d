'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { distanceText, type Units } from '@/core/units'
import type { LegWithMarks } from '@/data/ground'
import { dropLeg } from './actions'

const degrees = (v: number | null) => (v === null ? '' : `${Math.round(v)}°`)

/** The trial's legs, each with its marks. */
export function LegList({ trialId, legs, units }: { trialId: string; legs: LegWithMarks[]; units: Units }) {
  return (
    <>
      {legs.map((leg) => (
        <Box key={leg.id} sx={{ borderTop: '1px solid var(--rule)', py: 1.25 }}>
          <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
            <Typography component="h3" variant="h3">
              {leg.name}
            </Typography>
            <Box sx={{ color: 'var(--soft)', flex: 1 }}>
              {leg.marks.length} marks, out to{' '}
              {distanceText(Math.max(0, ...leg.marks.map((m) => m.distanceM)), units)}
            </Box>
            <Button
              size="small"
              onClick={() => void dropLeg(trialId, leg.id)}
              aria-label={`Take out ${leg.name}`}
            >
              Take out
            </Button>
          </Box>
          <details>
            <summary style={{ cursor: 'pointer' }}>Its marks</summary>
            <Table size="small">
              <TableHead>
                <TableRow>
                  {['Mark', 'Crow-flies', 'Bearing', 'Along the way'].map((h) => (
                    <TableCell key={h}>{h}</TableCell>
                  ))}
                </TableRow>
              </TableHead>
              <TableBody>
                {leg.marks.map((m) => (
                  <TableRow key={m.id}>
                    <TableCell>{m.name}</TableCell>
                    <TableCell>
                      {distanceText(m.distanceM, units)}
                      {m.distanceSdM !== null && ` ± ${distanceText(m.distanceSdM, units)}`}
                    </TableCell>
                    <TableCell>{degrees(m.bearingDeg)}</TableCell>
                    <TableCell>{m.alongM === null ? '' : distanceText(m.alongM, units)}</TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
          </details>
        </Box>
      ))}
    </>
  )
}
