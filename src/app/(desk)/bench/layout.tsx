import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import { BenchNav } from '@/features/bench/BenchNav'
import { readUnits } from '@/server/readUnits'
import { TopLine } from '@/ui/shell'

export const dynamic = 'force-dynamic'

/** The bench by itself: nothing at it needs a trial. */
export default async function BenchLayout({ children }: { children: ReactNode }) {
  return (
    <>
      <TopLine units={await readUnits()} />
      <Box component="main" sx={{ maxWidth: 1320, mx: 'auto', px: { xs: 2, md: 4 }, py: 2.5 }}>
        <BenchNav root="/bench" />
        {children}
      </Box>
    </>
  )
}
