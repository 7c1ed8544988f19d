import { notFound } from 'next/navigation'
import { db, freeLetter, listParts, listRigs, openTrial, serviceOf } from '@/data'
import { rigLines } from '@/features/kit/rigs/rigLines'
import { RigsPlace } from '@/features/kit/rigs/RigsPlace'
import { readUnits } from '@/ui/shell/readUnits'

export default async function KitPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const open = openTrial(db(), id)
  if (!open) notFound()
  const { service } = serviceOf(db(), open.trial.service)
  return (
    <RigsPlace
      trialId={id}
      rigs={rigLines(listRigs(db()), listParts(db()), service)}
      freeLetter={freeLetter(db())}
      units={await readUnits()}
    />
  )
}
