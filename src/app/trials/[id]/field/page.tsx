import { notFound } from 'next/navigation'
import { db, openTrial } from '@/data'
import { RunList } from '@/features/field/RunList'
import { runLines, whatIsMissing } from '@/features/field/runLines'

export default async function FieldPage({ params }: { params: Promise<{ id: string }> }) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  return <RunList trialId={open.trial.id} runs={runLines(db(), open.trial.id)} ready={whatIsMissing(open)} />
}
