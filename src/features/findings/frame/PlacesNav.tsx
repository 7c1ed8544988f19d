'use client'

import Box from '@mui/material/Box'
import Link from 'next/link'
import { usePathname, useSearchParams } from 'next/navigation'
import type { ReactNode } from 'react'

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
      <Box
        component="nav"
        aria-label="Findings"
        sx={{ display: 'flex', gap: 2.5, overflowX: 'auto', flex: 1, minWidth: 0 }}
      >
        {PLACES.map(([slug, name]) => {
          const here = path === root + slug
          return (
            <Box
              key={slug}
              component={Link}
              prefetch={false}
              href={`${root}${slug}${query ? `?${query}` : ''}`}
              aria-current={here ? 'page' : undefined}
              sx={{
                color: here ? 'var(--ink)' : 'var(--soft)',
                fontWeight: here ? 700 : 400,
                textDecoration: 'none',
                py: 1,
                whiteSpace: 'nowrap',
                borderBottom: `3px solid ${here ? 'var(--accent-fill)' : 'transparent'}`,
                '&:hover': { color: 'var(--ink)' },
              }}
            >
              {name}
            </Box>
          )
        })}
      </Box>
      {children}
    </Box>
  )
}
