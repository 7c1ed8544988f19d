import Box from '@mui/material/Box'
import type { ReactNode } from 'react'

/** What is set comes first, and stands at the right of what is read, which is large. */
export function TwoColumns({ side, children }: { side: ReactNode; children: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 318px' },
        gap: { xs: 2, lg: 4 },
        '@media print': { display: 'block' },
      }}
    >
      <Box className="no-print" sx={{ order: { lg: 2 }, minWidth: 0 }}>
        {side}
      </Box>
      <Box sx={{ order: { lg: 1 }, minWidth: 0 }}>{children}</Box>
    </Box>
  )
}
