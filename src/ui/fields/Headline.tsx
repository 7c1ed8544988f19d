import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import { Quiet } from '@/ui/shell/Quiet'

/** The figure that a form is for: what it is, then the figure, large. */
export function Headline({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box>
      <Quiet>{title}</Quiet>
      <Box sx={{ fontSize: '2.4rem', fontWeight: 700, lineHeight: 1.1 }}>{children}</Box>
    </Box>
  )
}
