'use client'

import Box from '@mui/material/Box'
import Popover from '@mui/material/Popover'
import { useId, useState } from 'react'
import type { Trace } from '@/core/kit/budget/trace'

interface Props {
  label?: string
  value: string
  trace: Trace
  /** Large for the figures a screen is about. */
  size?: 'small' | 'large'
}

/** Inputs, formula and source of a figure. */
function TraceWords({ trace }: { trace: Trace }) {
  return (
    <Box sx={{ fontSize: '0.92rem' }}>
      <Box
        component="dl"
        sx={{ display: 'grid', gridTemplateColumns: 'auto auto', columnGap: 2, rowGap: 0.25, m: 0, mb: 1 }}
      >
        {trace.inputs.map((i) => (
          <Box key={i.name} sx={{ display: 'contents' }}>
            <Box component="dt" sx={{ color: 'var(--soft)' }}>
              {i.name}
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {i.value}
            </Box>
          </Box>
        ))}
      </Box>
      <Box sx={{ fontWeight: 700 }}>{trace.formula}</Box>
      <Box sx={{ color: 'var(--soft)' }}>{trace.source}</Box>
    </Box>
  )
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
      <Popover
        id={id}
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { sx: { p: 2, maxWidth: 420, border: '1px solid var(--rule)' } } }}
      >
        <TraceWords trace={trace} />
      </Popover>
    </>
  )
}
