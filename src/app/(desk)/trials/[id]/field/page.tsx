import { notFound } from 'next/navigation'
import { db, groundOf, rigsOfTrial, openTrial, planOf } from '@/data'
import { RunList } from '@/features/field/desk/RunList'
import { currentRun, runLines, whatIsMissing } from '@/features/field/desk/runLines'
import { readUnits } from '@/server/readUnits'

export default async function FieldPage({ params }: { params: Promise<{ id: string }> }) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  const { id } = open.trial
  const current = currentRun(db(), id)
  return (
    <RunList
      trialId={id}
      runs={runLines(db(), id)}
      missing={whatIsMissing(open)}
      fixable={open.trial.way === 'marks' || open.trial.way === 'one place'}
      current={current}
      ground={groundOf(db(), current?.plan ?? planOf(open))}
      rigs={rigsOfTrial(db(), id).map(({ id: rigId, letter, name }) => ({ id: rigId, letter, name }))}
      units={await readUnits()}
    />
  )
}
