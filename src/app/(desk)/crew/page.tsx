import Box from '@mui/material/Box'
import { db, givableRuns, listStrays, nowIso } from '@/data'
import { CrewPage } from '@/features/crew/CrewPage'
import { StrayList } from '@/features/crew/StrayList'
import { deviceLines } from '@/server/crew/board'
import { crewDoors } from '@/server/crew/crewDoors'
import { readUnits } from '@/server/readUnits'
import { PageHead, TopLine } from '@/ui/shell'

export const dynamic = 'force-dynamic'

export default async function DevicesPage() {
  const now = Date.parse(nowIso())
  return (
    <>
      <TopLine units={await readUnits()} />
      <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', px: 2, py: 4 }}>
        <PageHead
          title="Devices"
          lead="Telephones and tablets that log out there, and screens that look on. Each is brought in once and keeps what it logs until it is here."
        />
        <CrewPage
          state={crewDoors()?.state() ?? null}
          origin={process.env.EVEN_REACH_ORIGIN ?? null}
          devices={deviceLines()}
          runs={givableRuns(db())}
          madeAt={now}
        />
        <StrayList strays={listStrays(db())} now={now} />
      </Box>
    </>
  )
}
