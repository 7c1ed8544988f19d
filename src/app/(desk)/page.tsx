import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { QUESTION_STARTS } from '@/core/trial'
import { db, lastBackup, nowIso } from '@/data'
import { BackupReminder } from '@/features/keep/BackupReminder'
import { Examples } from '@/features/trials/Examples'
import { listAsked, listedTrials } from '@/features/trials/listedTrials'
import { NewTrial } from '@/features/trials/NewTrial'
import { TrialList } from '@/features/trials/TrialList'
import { Empty, LinkButton, PageHead, TopLine } from '@/ui/shell'
import { readUnits } from '@/server/readUnits'

export const dynamic = 'force-dynamic'

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function TrialsPage({ searchParams }: Props) {
  const list = listedTrials(db(), listAsked(await searchParams))
  const any = list.all > 0
  const kinds = QUESTION_STARTS.map(({ kind, title, line, name, question }) => ({
    kind,
    title,
    line,
    name,
    question,
  }))
  const fresh = (
    <Box component="section" aria-labelledby="new-trial" sx={{ mt: any ? 5 : 3 }}>
      <Typography variant="h2" component="h2" id="new-trial" sx={{ mb: 1.5, scrollMarginTop: 16 }}>
        A new trial: what do you want to know?
      </Typography>
      <NewTrial kinds={kinds} />
    </Box>
  )
  return (
    <>
      <TopLine units={await readUnits()} />
      <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', px: 2, py: 4 }}>
        <PageHead title="Trials" lead="Which set-up reaches how far, here, and how sure that is.">
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            {any && (
              <LinkButton href="#new-trial" variant="contained">
                New trial
              </LinkButton>
            )}
            <LinkButton href="/import" variant="outlined">
              Import a day from files
            </LinkButton>
            <LinkButton href="/bench" variant="outlined">
              Bench
            </LinkButton>
            <LinkButton href="/crew" variant="outlined">
              Devices
            </LinkButton>
            <LinkButton href="/keep" variant="outlined">
              Backup
            </LinkButton>
            {list.samples && <Examples there />}
          </Box>
        </PageHead>
        <BackupReminder {...lastBackup(db())} now={Date.parse(nowIso())} />
        {!any ? (
          <>
            {fresh}
            <Box sx={{ mt: 5 }}>
              <Empty title="Or look around first" action={<Examples there={false} />}>
                Finished trials of a made-up island, to read, to turn over and to take out again. Nothing of
                yours is touched.
              </Empty>
            </Box>
          </>
        ) : (
          <>
            <TrialList list={list} />
            {fresh}
          </>
        )}
      </Box>
    </>
  )
}
