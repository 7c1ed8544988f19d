'use client'

import Box from '@mui/material/Box'
import { usePathname, useSearchParams } from 'next/navigation'
import type { ReactNode } from 'react'
import { PlaceLinks } from '@/ui/shell/PlaceLinks'

const PLACES = [
  ['', 'Answer'],
  ['/reach', 'How far'],
  ['/differences', 'Differences'],
  ['/changes', 'When and where it changes'],
  ['/checks', 'Checks'],
  ['/next', 'Next'],
] as const

/** The places of the findings, all under the same knobs; what is picked for all of them stands beside. */
export function PlacesNav({ trialId, children }: { trialId: string; children: ReactNode }) {
  const path = usePathname()
  const query = useSearchParams().toString()
  const root = `/trials/${trialId}/findings`
  return (
    <Box
      className="no-print"
      sx={{
        display: 'flex',
        flexWrap: { xs: 'wrap', lg: 'nowrap' },
        alignItems: 'flex-end',
        columnGap: 3,
        borderBottom: '1px solid var(--rule)',
        mb: 2,
        mt: -1,
      }}
    >
      <PlaceLinks
        label="Findings"
        places={PLACES.map(([slug, name]) => ({
          href: `${root}${slug}${query ? `?${query}` : ''}`,
          name,
          here: path === root + slug,
        }))}
        sx={{ flex: 1, minWidth: 0 }}
      />
      {children}
    </Box>
  )
}
