import { notFound } from 'next/navigation'
import { estimatedMinutes } from '@/core/trial'
import { db, listParts, openTrial, planOf, rigsOfTrial } from '@/data'
import { PackPlace } from '@/features/kit/pack/PackPlace'
import { trialRigs } from '@/features/kit/trialRigs'

export default async function PackPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const open = openTrial(db(), id)
  if (!open) notFound()
  const { base, out } = trialRigs(open, rigsOfTrial(db(), id))
  return (
    <PackPlace
      trialId={id}
      trialName={open.trial.name}
      base={base}
      out={out}
      parts={listParts(db())}
      plannedHours={Math.max(0.5, estimatedMinutes(planOf(open)) / 60)}
      state={open.trial.packing}
    />
  )
}
