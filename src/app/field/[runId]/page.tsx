import { notFound } from 'next/navigation'
import { db, entriesOf, getRun } from '@/data'
import { FieldScreen } from '@/features/field/FieldScreen'
import { readUnits } from '@/ui/shell/readUnits'

export const dynamic = 'force-dynamic'

export default async function FieldRunPage({ params }: { params: Promise<{ runId: string }> }) {
  const run = getRun(db(), (await params).runId)
  if (!run) notFound()
  return (
    <FieldScreen
      trialId={run.trialId}
      runId={run.id}
      plan={run.plan}
      held={entriesOf(db(), run.id)}
      units={await readUnits()}
    />
  )
}
