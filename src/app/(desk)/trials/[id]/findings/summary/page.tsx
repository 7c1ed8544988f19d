import { db, listAreas, listParts, listRigs } from '@/data'
import { findingsOfRuns } from '@/features/findings/frame/compute'
import { NoFindings } from '@/features/findings/frame/NoFindings'
import { openFindings, type FindingsProps } from '@/features/findings/frame/openFindings'
import { areasToCover, settingsWithArea } from '@/features/findings/reach/areasToCover'
import { burdensOf } from '@/features/findings/reach/burdens'
import { SummaryPage } from '@/features/findings/summary/SummaryPage'

export default async function FindingsSummary(props: FindingsProps) {
  const { asked, units } = await openFindings(props)
  if (!asked.shown) return <NoFindings trialId={asked.open.trial.id} />
  const areas = areasToCover(listAreas(db()), asked.plan.base)
  return (
    <SummaryPage
      {...{ asked, areas, units }}
      findings={await findingsOfRuns(asked.chosen, settingsWithArea(asked.settings, areas))}
      burdens={burdensOf(listRigs(db()), listParts(db()))}
    />
  )
}
