'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { agoText, countText } from '@/core/units'
import { BundlePart } from './BundlePart'
import { RestorePart } from './RestorePart'

interface Props {
  /** When everything was last backed up, UTC; null where it never was. */
  lastAt: string | null
  /** Entries that came since. */
  since: number
  madeAt: number
  trials: { id: string; name: string }[]
}

/** Everything as one file, and back again. */
export function KeepPage({ lastAt, since, madeAt, trials }: Props) {
  const behind = since > 0
  return (
    <>
      <Box component="section" aria-labelledby="back-up" sx={{ mb: 4, maxWidth: 760 }}>
        <Typography variant="h2" component="h2" id="back-up" sx={{ mb: 1 }}>
          Back up everything
        </Typography>
        <Box sx={{ mb: 1.5 }}>
          {lastAt === null
            ? 'It was never backed up yet.'
            : `The last backup was made ${agoText(lastAt, madeAt)}${behind ? `; ${countText(since, 'entry', 'entries')} came since.` : ', and nothing was logged since.'}`}{' '}
          One file holds trials, runs, kit, photos and sounds, elevation and maps. It is made while others go
          on logging. Keep it on another disk than this one.
        </Box>
        <Button href="/api/backup" download variant="contained">
          Write the backup
        </Button>
      </Box>
      <Box component="section" aria-labelledby="restore" sx={{ maxWidth: 760 }}>
        <Typography variant="h2" component="h2" id="restore" sx={{ mb: 1 }}>
          Restore a backup
        </Typography>
        <RestorePart />
      </Box>
      <Box component="section" aria-labelledby="bundle" sx={{ maxWidth: 760, mt: 4 }}>
        <Typography variant="h2" component="h2" id="bundle" sx={{ mb: 1 }}>
          Carry trials over
        </Typography>
        <BundlePart trials={trials} />
      </Box>
    </>
  )
}
