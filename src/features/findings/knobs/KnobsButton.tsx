'use client'

import Button from '@mui/material/Button'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { KnobsProps } from './knobsOf'

// Seldom opened, and with it come its fields.
const KnobsPanel = dynamic(() => import('./KnobsPanel').then((m) => m.KnobsPanel), { ssr: false })

/** Opens the one panel of knobs, over whatever place is shown. */
export function KnobsButton({ label, inline, ...knobs }: KnobsProps & { label: string; inline?: boolean }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button
        size="small"
        className="no-print"
        variant={inline ? 'text' : 'outlined'}
        onClick={() => setOpen(true)}
        sx={inline ? { p: 0, minWidth: 0, verticalAlign: 'baseline', textDecoration: 'underline' } : {}}
      >
        {label}
      </Button>
      {open && <KnobsPanel {...knobs} onClose={() => setOpen(false)} />}
    </>
  )
}
