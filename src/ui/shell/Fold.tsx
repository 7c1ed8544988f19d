'use client'

import Box from '@mui/material/Box'
import { useState, type ReactNode } from 'react'

/** Something folded away: its content is there once it is opened. */
export function Fold({ title, children }: { title: string; children: ReactNode }) {
  const [open, setOpen] = useState(false)
  return (
    <Box component="details" onToggle={(e) => setOpen((e.currentTarget as HTMLDetailsElement).open)}>
      <Box component="summary" sx={{ cursor: 'pointer', fontWeight: 700, fontSize: '1.05rem' }}>
        {title}
      </Box>
      {open && children}
    </Box>
  )
}
