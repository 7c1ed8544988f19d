'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useRef, type ReactNode } from 'react'
import { CopyButton } from '@/ui/fields/CopyButton'
import { Later } from '@/ui/shell'
import { TakeAlong } from '@/ui/figures/TakeAlong'

interface Props {
  title: string
  /** What it says, in a sentence. */
  caption: ReactNode
  /** Its data as a table. */
  csv: () => string | Promise<string>
  /** Of the drawing, px. */
  height: number
  children: ReactNode
}

/** A drawing with its sentence, and the ways to take it along: PNG, SVG, its data. */
export function FigureFrame({ title, caption, csv, height, children }: Props) {
  const box = useRef<HTMLDivElement>(null)
  return (
    <Box component="figure" aria-label={title} sx={{ m: 0, mb: 3, breakInside: 'avoid' }}>
      <Typography variant="h3" component="h3">
        {title}
      </Typography>
      <Box component="figcaption" sx={{ mb: 1, maxWidth: 820 }}>
        {caption}
      </Box>
      {/* Cut off for the moment in which the drawing follows a narrower window. */}
      <Box ref={box} sx={{ overflow: 'hidden', height }}>
        <Later height={height}>{children}</Later>
      </Box>
      <TakeAlong box={box} select="svg.recharts-surface" title={title}>
        <CopyButton text={csv} label="Copy its data as CSV" />
      </TakeAlong>
    </Box>
  )
}
