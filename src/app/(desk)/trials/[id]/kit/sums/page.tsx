import { notFound } from 'next/navigation'
import { db, listParts, listRuleSets, openTrial, rigsOfTrial } from '@/data'
import { slopeOfTrial } from '@/features/kit/sums/slopeOfTrial'
import { sumOf } from '@/features/kit/sums/sumNames'
import { SumsPlace } from '@/features/kit/sums/SumsPlace'
import { readUnits } from '@/server/readUnits'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ sum?: string }>
}

export default async function SumsPage({ params, searchParams }: Props) {
  const { id } = await params
  const open = openTrial(db(), id)
  if (!open) notFound()
  const parts = listParts(db())
  const radio = (radioId: string | null | undefined) => parts.find((p) => p.id === radioId)
  const powersOf = Object.fromEntries(
    rigsOfTrial(db(), id).map((r) => {
      const part = radio(r.assembly?.radioId)
      return [r.id, part?.kind === 'radio' ? part.spec.powers : []]
    }),
  )
  const marks = open.legs.flatMap((l) => l.marks)
  return (
    <SumsPlace
      trialId={id}
      sum={sumOf((await searchParams).sum)}
      links={open.links}
      powersOf={powersOf}
      farthestM={marks.length > 0 ? Math.max(...marks.map((m) => m.distanceM)) : null}
      parts={parts}
      rules={listRuleSets(db())}
      slope={slopeOfTrial(db(), id)}
      units={await readUnits()}
    />
  )
}
