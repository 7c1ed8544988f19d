'use client'

import Box from '@mui/material/Box'
import { usePathname } from 'next/navigation'
import { PlaceLinks } from '@/ui/shell/PlaceLinks'

const PLACES = [
  ['', 'Sweep'],
  ['/lead', 'Lead and length'],
  ['/turn', 'Turn'],
  ['/bearings', 'Bearings'],
  ['/live', 'Plug in and out'],
] as const

/** The places of the bench. @param root its address, within a trial or by itself */
export function BenchNav({ root }: { root: string }) {
  const path = usePathname()
  return (
    <Box className="no-print" sx={{ borderBottom: '1px solid var(--rule)', mb: 2.5, mt: -1 }}>
      <PlaceLinks
        label="Bench"
        places={PLACES.map(([slug, name]) => ({
          href: root + slug,
          name,
          here: slug === '' ? path === root : path.startsWith(root + slug),
        }))}
      />
    </Box>
  )
}
