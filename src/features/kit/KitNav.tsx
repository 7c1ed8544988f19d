'use client'

import Box from '@mui/material/Box'
import { usePathname } from 'next/navigation'
import { PlaceLinks } from '@/ui/shell/PlaceLinks'

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
    <Box className="no-print" sx={{ borderBottom: '1px solid var(--rule)', mb: 2.5, mt: -1 }}>
      <PlaceLinks
        label="Kit"
        places={PLACES.map(([slug, name]) => ({
          href: root + slug,
          name,
          here: slug === '' ? path === root || path.startsWith(`${root}/rig`) : path.startsWith(root + slug),
        }))}
      />
    </Box>
  )
}
