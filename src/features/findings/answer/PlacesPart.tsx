import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import { Suspense } from 'react'
import { placePairWords } from '@/core/findings'
import type { Places } from '../frame/places'

interface Props {
  /** Comes after the answer, which does not wait for what was found elsewhere. */
  places: Promise<Places | null>
}

/** The same question from other places: how they compare, and what was found at each. */
export const PlacesPart = (props: Props) => (
  <Suspense>
    <FromPlaces {...props} />
  </Suspense>
)

async function FromPlaces({ places }: Props) {
  const found = await places
  if (!found) return null
  const { pairs, others } = found
  return (
    <Box component="section" aria-label="From the other places" sx={{ mt: 2.5, maxWidth: 860 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 0.5 }}>
        From the other places
      </Typography>
      {pairs.map((p) => (
        <Box key={`${p.linkId} ${p.than}`} sx={{ fontWeight: 700 }}>
          {placePairWords(p)}
        </Box>
      ))}
      {others.map((o) => (
        <Box key={o.trialId}>
          {o.place}: {o.lead}{' '}
          <PageLink
            className="no-print"
            style={{ color: 'var(--accent)', fontWeight: 700 }}
            href={`/trials/${o.trialId}/findings`}
          >
            Its findings
          </PageLink>
        </Box>
      ))}
      {others.length === 0 && (
        <Box sx={{ color: 'var(--soft)' }}>
          The other place has nothing logged yet; once it has, they are compared.
        </Box>
      )}
    </Box>
  )
}
