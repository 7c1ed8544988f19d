import { notFound } from 'next/navigation'
import { db, groundOf, listRuns, logOf, openTrial } from '@/data'
import { findingsOfRun } from '@/features/findings/compute'
import { FindingsStep } from '@/features/findings/FindingsStep'
import { NoFindings } from '@/features/findings/NoFindings'
import { ruleFromParams } from '@/features/findings/ruleParams'
import { readUnits } from '@/ui/shell/readUnits'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function FindingsPage({ params, searchParams }: Props) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  const query = await searchParams
  const runs = listRuns(db(), open.trial.id).map((row) => ({ row, log: logOf(db(), row.id) }))
  const chosen =
    runs.find((r) => r.row.id === query.run) ?? runs.find((r) => r.log.state !== 'voided') ?? runs[0] ?? null
  if (!chosen || chosen.log.checks.length === 0) return <NoFindings trialId={open.trial.id} />
  const { row, log } = chosen
  const findings = findingsOfRun(row, log, ruleFromParams(query, row.plan.copyRule))
  return (
    <FindingsStep
      key={row.id}
      trialId={open.trial.id}
      runs={runs.map((r) => ({ id: r.row.id, name: r.row.name, state: r.log.state }))}
      runId={row.id}
      plan={row.plan}
      log={log}
      findings={findings}
      ground={groundOf(db(), row.plan)}
      units={await readUnits()}
    />
  )
}
