'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import type { GradeQueue } from './gradeQueue'

interface Props {
  queue: GradeQueue
  listener: string
  blind: boolean
  onListener: (listener: string) => void
  onBlind: (on: boolean) => void
  /** The cut that is graded now, or nothing. */
  grading: ReactNode
  children: ReactNode
}

/** Who listens, how far they are, and what they grade. */
export function GradingPart({ queue, listener, blind, onListener, onBlind, grading, children }: Props) {
  const { cuts, left } = queue
  return (
    <Box component="section" aria-label="Grading" sx={{ borderTop: '2px solid var(--ink)', pt: 2 }}>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center', mb: 1.5 }}>
        <Typography sx={{ fontSize: '1.4rem', fontWeight: 700 }}>
          {cuts.length - left.length} of {cuts.length} graded
        </Typography>
        <TextField
          select
          label="Who listens"
          value={listener}
          onChange={(e) => onListener(e.target.value)}
          sx={{ width: 190 }}
        >
          <Option value="first">the first listener</Option>
          <Option value="second">the second listener</Option>
        </TextField>
        <FormControlLabel
          control={<Checkbox checked={blind} onChange={(e) => onBlind(e.target.checked)} />}
          label="Blind: shuffled, without rig and mark"
        />
      </Box>
      {grading || (left.length === 0 && <b>All of it is graded by this listener.</b>)}
      {children}
    </Box>
  )
}
