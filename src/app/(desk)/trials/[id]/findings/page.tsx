import { notFound } from 'next/navigation'
import { burdensOf } from '@/features/findings/burdens'
import { db, groundOf, listAreas, listParts, listRigs } from '@/data'
import { areasToCover } from '@/features/findings/areasToCover'
import { findingsThenLevels, poolOf } from '@/features/findings/compute'
import { FindingsStep } from '@/features/findings/FindingsStep'
import { NoFindings } from '@/features/findings/NoFindings'
import { findingsAsked, type Query } from '@/features/findings/request'
import { readUnits } from '@/ui/shell/readUnits'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<Query>
}

export default async function FindingsPage({ params, searchParams }: Props) {
  const asked = findingsAsked(db(), (await params).id, await searchParams)
  if (!asked) notFound()
  const { open, runs, shown, chosen, settings, plan } = asked
  if (!shown) return <NoFindings trialId={open.trial.id} />
  const { input, apart } = poolOf(chosen, settings)
  return (
    <FindingsStep
      key={shown.row.id}
      trialId={open.trial.id}
      runs={runs.map((r) => ({
        id: r.row.id,
        name: r.row.name,
        state: r.log.state,
        checks: r.log.checks.length,
      }))}
      runId={shown.row.id}
      apart={apart}
      plan={plan}
      log={shown.log}
      {...findingsThenLevels(input)}
      settings={settings}
      burdens={burdensOf(listRigs(db()), listParts(db()))}
      areas={areasToCover(listAreas(db()), plan.base)}
      ground={groundOf(db(), plan)}
      units={await readUnits()}
    />
  )
}
