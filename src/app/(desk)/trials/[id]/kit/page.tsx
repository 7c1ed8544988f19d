import { notFound } from 'next/navigation'
import { startOf } from '@/core/trial'
import { db, freeLetter, listParts, openTrial, rigsElsewhere, rigsOfTrial, serviceOf } from '@/data'
import { rigLines } from '@/features/kit/rigs/rigLines'
import { RigsPlace } from '@/features/kit/rigs/RigsPlace'
import { readUnits } from '@/server/readUnits'

export default async function KitPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const open = openTrial(db(), id)
  if (!open) notFound()
  const { service } = serviceOf(db(), open.trial.service)
  return (
    <RigsPlace
      trialId={id}
      rigs={rigLines(rigsOfTrial(db(), id), listParts(db()), service)}
      kept={rigsElsewhere(db(), id)}
      strangers={open.trial.kind === 'short wave'}
      crossed={open.trial.kind === 'matrix'}
      wanted={startOf(open.trial.kind).kit}
      freeLetter={freeLetter(db(), id)}
      units={await readUnits()}
    />
  )
}
