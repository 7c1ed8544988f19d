import Box from '@mui/material/Box'
import { PageLink } from './PageLink'

interface Props {
  /** What the places belong to. */
  label: string
  places: readonly { href: string; name: string; here: boolean }[]
  sx?: object
}

/** The places of a step in a line; the one that is open is underlined. */
export function PlaceLinks({ label, places, sx }: Props) {
  return (
    <Box component="nav" aria-label={label} sx={[{ display: 'flex', gap: 2.5, overflowX: 'auto' }, sx ?? {}]}>
      {places.map(({ href, name, here }) => (
        <Box
          key={name}
          component={PageLink}
          href={href}
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
