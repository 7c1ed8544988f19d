'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import type { ReactNode, RefObject } from 'react'
import { fileNameOf } from '@/core/trial/runFileName'
import { downloadText } from '@/ui/fields/downloadText'
import { drawingOf, savePng } from './drawing'

interface Props {
  /** What holds the drawing. */
  box: RefObject<HTMLElement | null>
  /** Which drawing in it. */
  select: string
  title: string
  /** Further buttons. */
  children?: ReactNode
}

/** The ways to take a drawing along: as a picture, as a drawing. */
export function TakeAlong({ box, select, title, children }: Props) {
  const file = fileNameOf(title)
  const svg = () => drawingOf(box.current?.querySelector(select) ?? null)
  const png = async () => {
    const text = svg()
    if (text) await savePng(text, file)
  }
  return (
    <Box className="no-print" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      <Button size="small" onClick={() => void png()}>
        Save as PNG
      </Button>
      <Button size="small" onClick={() => downloadText(`${file}.svg`, svg() ?? '', 'image/svg+xml')}>
        Save as SVG
      </Button>
      {children}
    </Box>
  )
}
