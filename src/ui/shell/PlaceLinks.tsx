import Box from '@mui/material/Box'
import Link from 'next/link'

interface Props {
  /** What the places belong to. */
  label: string
  places: readonly { href: string; name: string; here: boolean }[]
  /** Whether a place is fetched before it is asked for; Next’s own way where it is not said. */
  prefetch?: false
  sx?: object
}

/** The places of a step in a line; the one that is open is underlined. */
export function PlaceLinks({ label, places, prefetch, sx }: Props) {
  return (
    <Box component="nav" aria-label={label} sx={[{ display: 'flex', gap: 2.5, overflowX: 'auto' }, sx ?? {}]}>
      {places.map(({ href, name, here }) => (
        <Box
          key={name}
          component={Link}
          href={href}
          {...(prefetch === false && { prefetch })}
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
      ))}
    </Box>
  )
}
