import { notFound } from 'next/navigation'
import { db, openTrial } from '@/data'
import { GroundStep } from '@/features/ground/GroundStep'
import { readUnits } from '@/ui/shell/readUnits'

export default async function GroundPage({ params }: { params: Promise<{ id: string }> }) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  return <GroundStep trialId={open.trial.id} site={open.site} legs={open.legs} units={await readUnits()} />
}
