import { notFound } from 'next/navigation'
import { db, listRuns, openTrial, planInputOf, planOf, rigsOfTrial } from '@/data'
import { PlanStep } from '@/features/plan/PlanStep'
import { correctedGround } from '@/server/learntCorrection'
import { readUnits } from '@/server/readUnits'
import { soon } from '@/ui/answers/soon'

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
      ground={await soon(correctedGround(db(), trial.id, plan))}
      initial={planInputOf(open)}
      rigs={rigsOfTrial(db(), trial.id)}
      runs={listRuns(db(), trial.id).length}
      units={await readUnits()}
    />
  )
}
