import { notFound } from 'next/navigation'
import { db, groundOf, listAreas, listParts, listRigs } from '@/data'
import { burdensOf } from '@/features/findings/burdens'
import { areasToCover } from '@/features/findings/areasToCover'
import { breakdownOfRuns, findingsOf, poolOf } from '@/features/findings/compute'
import { NoFindings } from '@/features/findings/NoFindings'
import { findingsAsked, type Query } from '@/features/findings/request'
import { paramsFromSettings } from '@/features/findings/ruleParams'
import { SummaryPage } from '@/features/findings/SummaryPage'
import { readUnits } from '@/ui/shell/readUnits'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<Query>
}

export default async function FindingsSummary({ params, searchParams }: Props) {
  const asked = findingsAsked(db(), (await params).id, await searchParams)
  if (!asked) notFound()
  const { open, runs, shown, chosen, settings, plan } = asked
  if (!shown) return <NoFindings trialId={open.trial.id} />
  const ground = groundOf(db(), plan)
  return (
    <SummaryPage
      back={`/trials/${open.trial.id}/findings?${paramsFromSettings(settings, shown.row.id)}`}
      runs={runs.map((r) => ({ id: r.row.id, name: r.row.name }))}
      run={{ id: shown.row.id, name: shown.row.name, startedAt: shown.row.startedAt }}
      plan={plan}
      log={shown.log}
      findings={await findingsOf(poolOf(chosen, settings).input)}
      breakdown={await breakdownOfRuns(chosen, settings, ground)}
      burdens={burdensOf(listRigs(db()), listParts(db()))}
      areas={areasToCover(listAreas(db()), plan.base)}
      settings={settings}
      ground={ground}
      units={await readUnits()}
    />
  )
}
