'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import type { PlanInput } from '@/data/trials'

type Set = <K extends keyof PlanInput>(key: K, value: PlanInput[K]) => void

export interface PartsProps {
  input: PlanInput
  set: Set
}

/** One part of the plan, its title beside it. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box
      component="section"
      sx={{
        borderTop: '1px solid var(--rule)',
        py: 2,
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '190px minmax(0, 1fr)' },
        gap: { xs: 1, md: 3 },
      }}
    >
      <Typography variant="h3" component="h2">
        {title}
      </Typography>
      <Box sx={{ minWidth: 0 }}>{children}</Box>
    </Box>
  )
}
