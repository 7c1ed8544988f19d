'use client'

import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { usePathname, useRouter } from 'next/navigation'
import { useTransition } from 'react'

interface Props {
  /** What the figures are called, and which is read. */
  figures: { first: string; second: string; by: 'first' | 'second' }
  runId: string
}

/** By which of a check's two figures the findings are read. Each has its own scale and copy rule. */
export function FigurePicker({ figures, runId }: Props) {
  const router = useRouter()
  const path = usePathname()
  const [changing, start] = useTransition()
  const read = (by: Props['figures']['by'] | null) => {
    if (!by) return
    const query = new URLSearchParams({ run: runId, ...(by === 'second' ? { by } : {}) })
    start(() => router.replace(`${path}?${query}`))
  }
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={figures.by}
      onChange={(_, by: Props['figures']['by'] | null) => read(by)}
      aria-label="Read by"
      sx={{ mb: 1, opacity: changing ? 0.6 : 1 }}
    >
      <ToggleButton value="first">{figures.first}</ToggleButton>
      <ToggleButton value="second">{figures.second}</ToggleButton>
    </ToggleButtonGroup>
  )
}
