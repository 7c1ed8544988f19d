'use client'

import Box from '@mui/material/Box'
import Popover from '@mui/material/Popover'
import type { Trace } from '@/core/kit/budget/trace'

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

interface Props {
  id: string
  anchor: HTMLElement
  trace: Trace
  onClose: () => void
}

/** What a figure opens to. */
export function TracePopover({ id, anchor, trace, onClose }: Props) {
  return (
    <Popover
      id={id}
      open
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { sx: { p: 2, maxWidth: 420, border: '1px solid var(--rule)' } } }}
    >
      <TraceWords trace={trace} />
    </Popover>
  )
}
