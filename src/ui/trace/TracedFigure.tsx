'use client'

import Box from '@mui/material/Box'
import dynamic from 'next/dynamic'
import { useId, useState } from 'react'
import { ahead } from '@/ui/early/ahead'
import type { Trace } from '@/core/kit/budget/trace'

const TracePopover = dynamic(
  ahead(() => import('./TracePopover').then((m) => m.TracePopover)),
  { ssr: false },
)

interface Props {
  label?: string
  value: string
  trace: Trace
  /** Large for the figures a screen is about. */
  size?: 'small' | 'large'
}

/** A figure that opens to its inputs, formula and source. */
export function TracedFigure({ label, value, trace, size = 'small' }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const id = useId()
  return (
    <>
      <Box
        component="button"
        type="button"
        aria-expanded={anchor !== null}
        aria-controls={anchor ? id : undefined}
        title={`${trace.formula}. ${trace.source}`}
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{
          font: 'inherit',
          color: 'inherit',
          background: 'none',
          border: 0,
          p: 0,
          textAlign: 'left',
          cursor: 'pointer',
          display: 'block',
          minHeight: 24,
        }}
      >
        {label && (
          <Box component="span" sx={{ display: 'block', color: 'var(--soft)', fontSize: '0.88rem' }}>
            {label}
          </Box>
        )}
        <Box
          component="span"
          sx={{
            fontWeight: 700,
            fontSize: size === 'large' ? '1.25rem' : '1rem',
            textDecoration: 'underline dotted',
            textUnderlineOffset: '4px',
            textDecorationColor: 'var(--soft)',
          }}
        >
          {value}
        </Box>
      </Box>
      {anchor && <TracePopover id={id} anchor={anchor} trace={trace} onClose={() => setAnchor(null)} />}
    </>
  )
}
