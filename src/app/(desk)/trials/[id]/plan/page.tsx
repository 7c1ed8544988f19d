import { notFound } from 'next/navigation'
import { db, listRuns, openTrial, planInputOf, planOf, rigsOfTrial } from '@/data'
import { PlanStep } from '@/features/plan/PlanStep'
import { groundSoon } from '@/server/learntCorrection'
import { readUnits } from '@/server/readUnits'

export default async function PlanPage({ params }: { params: Promise<{ id: string }> }) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  const { trial } = open
  const marks = open.legs.flatMap((l) => l.marks)
  const plan = { ...planOf(open), marks }
  return (
    <PlanStep
      trialId={trial.id}
      revision={trial.revision}
      plan={plan}
      ground={await groundSoon(db(), trial.id, plan)}
      initial={planInputOf(open)}
      rigs={rigsOfTrial(db(), trial.id)}
      runs={listRuns(db(), trial.id).length}
      units={await readUnits()}
    />
  )
}
