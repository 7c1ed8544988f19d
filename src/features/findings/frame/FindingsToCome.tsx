import Typography from '@mui/material/Typography'

/** In the place of what is asked for until it is worked out: a second, of a long log some. */
export function FindingsToCome() {
  return (
    <Typography
      role="status"
      aria-busy
      sx={{ minHeight: 640, fontSize: { xs: '1.1rem', md: '1.35rem' }, color: 'var(--soft)' }}
    >
      Working out what the log says…
    </Typography>
  )
}
