import Typography from '@mui/material/Typography'
import { PageHead } from '@/ui/shell'

/** In the place of the answer until it is worked out: a second, of a long log some. */
export function FindingsToCome() {
  return (
    <section aria-busy aria-label="Verdicts">
      <PageHead title="Findings" />
      <Typography
        role="status"
        sx={{ minHeight: 640, fontSize: { xs: '1.1rem', md: '1.35rem' }, color: 'var(--soft)' }}
      >
        Working out what the log says…
      </Typography>
    </section>
  )
}
