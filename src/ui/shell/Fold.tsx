'use client'

import Box from '@mui/material/Box'
import { useState, type ReactNode } from 'react'

/** Something folded away: its content is there once it is opened, which from then on is up to who reads. */
export function Fold({
  title,
  open: atFirst = false,
  children,
}: {
  title: string
  open?: boolean
  children: ReactNode
}) {
  const [open, setOpen] = useState(atFirst)
  return (
    <Box
      component="details"
      open={open}
      onToggle={(e) => setOpen((e.currentTarget as HTMLDetailsElement).open)}
    >
      <Box component="summary" sx={{ cursor: 'pointer', fontWeight: 700, fontSize: '1.05rem' }}>
        {title}
      </Box>
      {open && children}
    </Box>
  )
}
