import { notFound } from 'next/navigation'
import { startOf } from '@/core/trial'
import { db, freeLetter, listParts, listRigs, openTrial, rigsOfTrial, serviceOf } from '@/data'
import { rigLines } from '@/features/kit/rigs/rigLines'
import { RigsPlace } from '@/features/kit/rigs/RigsPlace'
import { readUnits } from '@/ui/shell/readUnits'

export default async function KitPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const open = openTrial(db(), id)
  if (!open) notFound()
  const { service } = serviceOf(db(), open.trial.service)
  const rigs = rigsOfTrial(db(), id)
  const mine = new Set(rigs.map((r) => r.id))
  return (
    <RigsPlace
      trialId={id}
      rigs={rigLines(rigs, listParts(db()), service)}
      kept={listRigs(db())
        .filter((r) => !mine.has(r.id))
        .map(({ id: rigId, name, kind, note, txMHz, powerW, usedBy }) => ({
          id: rigId,
          name,
          kind,
          note,
          txMHz,
          powerW,
          used: usedBy.length > 0,
        }))}
      wanted={startOf(open.trial.kind).kit}
      freeLetter={freeLetter(db(), id)}
      units={await readUnits()}
    />
  )
}
