import { notFound } from 'next/navigation'
import { db, entriesOf, getRun } from '@/data'
import { GradeStep } from '@/features/field/grade/GradeStep'

export default async function GradePage({ searchParams }: { searchParams: Promise<{ run?: string }> }) {
  const run = getRun(db(), (await searchParams).run ?? '')
  if (!run) notFound()
  return <GradeStep runId={run.id} runName={run.name} plan={run.plan} entries={entriesOf(db(), run.id)} />
}
