import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { agoText, countText } from '@/core/units'
import type { Strays } from '@/data/strays'

/** What devices brought of runs that are gone here: kept, and offered. */
export function StrayList({ strays, now }: { strays: readonly Strays[]; now: number }) {
  if (strays.length === 0) return null
  return (
    <Box component="section" aria-labelledby="strays" sx={{ mt: 4, maxWidth: 860 }}>
      <Typography variant="h2" component="h2" id="strays" sx={{ mb: 1 }}>
        Entries of runs that are gone here
      </Typography>
      <Box sx={{ color: 'var(--soft)', mb: 1 }}>
        Devices brought them after the run was deleted. Read the run in from its file, under Field, and they
        are in it again.
      </Box>
      {strays.map((s) => (
        <Box key={s.runId} sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', py: 0.5 }}>
          <span>
            <b>{countText(s.entries, 'entry', 'entries')}</b>, the newest {agoText(s.newest, now)}
          </span>
          <Button size="small" variant="outlined" href={`/api/crew/strays/${s.runId}`} download>
            Write them to a file
          </Button>
        </Box>
      ))}
    </Box>
  )
}
