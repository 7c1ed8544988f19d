import { notFound } from 'next/navigation'
import { Suspense } from 'react'
import { burdensOf } from '@/features/findings/burdens'
import { db, groundOf, listAreas, listParts, listRigs } from '@/data'
import { areasToCover } from '@/features/findings/areasToCover'
import { findingsOf, poolOf } from '@/features/findings/compute'
import { FindingsStep } from '@/features/findings/FindingsStep'
import { FindingsToCome } from '@/features/findings/FindingsToCome'
import { NoFindings } from '@/features/findings/NoFindings'
import { findingsAsked, type Query } from '@/features/findings/request'
import { readUnits } from '@/ui/shell/readUnits'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<Query>
}

type Asked = Extract<NonNullable<ReturnType<typeof findingsAsked>>, { shown: object }>

/** The findings once they are worked out. */
async function Answer({ open, runs, shown, chosen, settings, plan }: Asked) {
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
      findings={await findingsOf(input)}
      settings={settings}
      burdens={burdensOf(listRigs(db()), listParts(db()))}
      areas={areasToCover(listAreas(db()), plan.base)}
      ground={groundOf(db(), plan)}
      units={await readUnits()}
    />
  )
}

export default async function FindingsPage({ params, searchParams }: Props) {
  const asked = findingsAsked(db(), (await params).id, await searchParams)
  if (!asked) notFound()
  if (!asked.shown) return <NoFindings trialId={asked.open.trial.id} />
  return (
    <Suspense fallback={<FindingsToCome />}>
      <Answer {...asked} />
    </Suspense>
  )
}
