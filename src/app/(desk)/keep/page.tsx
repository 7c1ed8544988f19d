import Box from '@mui/material/Box'
import { db, lastBackup, listTrials, nowIso } from '@/data'
import { KeepPage } from '@/features/keep/KeepPage'
import { readUnits } from '@/server/readUnits'
import { PageHead, TopLine } from '@/ui/shell'

export const dynamic = 'force-dynamic'

export default async function Keep() {
  const { at, since } = lastBackup(db())
  const trials = listTrials(db()).map(({ id, name }) => ({ id, name }))
  return (
    <>
      <TopLine units={await readUnits()} />
      <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', px: 2, py: 4 }}>
        <PageHead title="Backup" lead="All that is kept here, as one file on another disk." />
        <KeepPage lastAt={at} since={since} madeAt={Date.parse(nowIso())} trials={trials} />
      </Box>
    </>
  )
}
