import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { db, listTrials } from '@/data'
import { NewTrial } from '@/features/trials/NewTrial'
import { TrialList } from '@/features/trials/TrialList'
import { trialLine } from '@/features/trials/trialLine'
import { Empty, LinkButton, PageHead, TopLine } from '@/ui/shell'
import { readUnits } from '@/ui/shell/readUnits'

export const dynamic = 'force-dynamic'

export default async function TrialsPage() {
  const trials = listTrials(db()).map((t) => trialLine(db(), t))
  return (
    <>
      <TopLine units={await readUnits()} />
      <Box component="main" sx={{ maxWidth: 980, mx: 'auto', px: 2, py: 4 }}>
        <PageHead title="Trials" lead="Which set-up reaches how far, here, and how sure that is.">
          <LinkButton href="/import" variant="outlined">
            Import a day from files
          </LinkButton>
        </PageHead>
        {trials.length === 0 ? (
          <Empty title="No trials yet" action={null}>
            A trial asks one question, such as which of two antennas to carry. Start one below, or import a
            day that was written down already. To look at finished ones first, run <code>npm run demo</code>:
            it has a database of its own.
          </Empty>
        ) : (
          <TrialList trials={trials} />
        )}
        <Typography variant="h2" component="h2" sx={{ mt: 5, mb: 1.5 }}>
          A new trial
        </Typography>
        <NewTrial />
      </Box>
    </>
  )
}
