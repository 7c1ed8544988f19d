'use client'

import Box from '@mui/material/Box'
import Link from 'next/link'
import { usePathname } from 'next/navigation'

const PLACES = [
  ['', 'Rigs'],
  ['/parts', 'Parts'],
  ['/compare', 'What differs'],
  ['/pack', 'Packing'],
  ['/sums', 'Sums'],
  ['/rules', 'Rules'],
] as const

/** The places of the kit step. */
export function KitNav({ trialId }: { trialId: string }) {
  const path = usePathname()
  const root = `/trials/${trialId}/kit`
  return (
    <Box
      component="nav"
      aria-label="Kit"
      className="no-print"
      sx={{
        display: 'flex',
        gap: 2.5,
        overflowX: 'auto',
        borderBottom: '1px solid var(--rule)',
        mb: 2.5,
        mt: -1,
      }}
    >
      {PLACES.map(([slug, name]) => {
        const here =
          slug === '' ? path === root || path.startsWith(`${root}/rig`) : path.startsWith(root + slug)
        return (
          <Box
            key={slug}
            component={Link}
            href={root + slug}
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
  )
}
