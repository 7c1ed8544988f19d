import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import { Quiet } from '@/ui/shell/Quiet'

const TONES = { good: 'var(--rig-3)', bad: 'var(--bad)', open: 'var(--accent-fill)' } as const

/** What a measurement comes to, in one sentence, above its picture. */
export function BenchAnswer({ tone = 'open', children }: { tone?: keyof typeof TONES; children: ReactNode }) {
  return (
    <Box
      role="status"
      aria-label="The answer"
      sx={{
        fontSize: '1.35rem',
        lineHeight: 1.25,
        fontWeight: 700,
        borderLeft: `6px solid ${TONES[tone]}`,
        pl: 1.5,
        mb: 1.5,
      }}
    >
      {children}
    </Box>
  )
}

/** In the place of the answer, while there is nothing to answer from: what the place is for and how it begins. */
export function NothingYet({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box
      sx={{
        border: '2px dashed var(--rule)',
        p: { xs: 2.5, md: 4 },
        minHeight: { md: 320 },
        display: 'grid',
        alignContent: 'center',
        justifyItems: 'center',
        textAlign: 'center',
      }}
    >
      <Box sx={{ fontSize: '1.3rem', fontWeight: 700 }}>{title}</Box>
      <Quiet sx={{ maxWidth: 460, mt: 1 }}>{children}</Quiet>
    </Box>
  )
}
