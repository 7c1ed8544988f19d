import { Suspense } from 'react'
import { db, groundOfTrial, listParts, listRigs } from '@/data'
import { usedOf } from '@/core/offered'
import type { Units } from '@/core/units'
import { findingsOfRuns } from '@/features/findings/frame/compute'
import { NoFindings } from '@/features/findings/frame/NoFindings'
import {
  answerFor,
  openFindings,
  type AskedFindings,
  type FindingsProps,
} from '@/features/findings/frame/openFindings'
import { placesOf } from '@/features/findings/frame/places'
import { areasToCover, settingsWithArea } from '@/features/findings/reach/areasToCover'
import { burdensOf } from '@/features/findings/reach/burdens'
import { SummaryPage } from '@/features/findings/summary/SummaryPage'
import { SummarySheet } from '@/features/findings/summary/SummarySheet'

async function Filled({ asked, units }: { asked: AskedFindings; units: Units }) {
  const areas = areasToCover(usedOf(groundOfTrial(db(), asked.open).areas), asked.plan.base)
  const findings = await findingsOfRuns(asked.chosen, settingsWithArea(asked.settings, areas))
  const answer = await answerFor(asked, findings, units)
  return (
    <SummaryPage
      {...{ asked, areas, findings, units }}
      answer={answer}
      places={placesOf(asked, answer, units)}
      burdens={burdensOf(listRigs(db()), listParts(db()))}
    />
  )
}

export default async function FindingsSummary(props: FindingsProps) {
  const { asked, units } = await openFindings(props)
  if (!asked.shown) return <NoFindings trialId={asked.open.trial.id} />
  return (
    <Suspense fallback={<SummarySheet asked={asked} />}>
      <Filled {...{ asked, units }} />
    </Suspense>
  )
}
