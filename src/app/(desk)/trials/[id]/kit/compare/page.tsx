import { notFound } from 'next/navigation'
import { db, listParts, openTrial, rigsOfTrial } from '@/data'
import { ComparePlace } from '@/features/kit/compare/ComparePlace'
import { readUnits } from '@/server/readUnits'
import { trialRigs } from '@/features/kit/trialRigs'

export default async function ComparePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const open = openTrial(db(), id)
  if (!open) notFound()
  const all = rigsOfTrial(db(), id)
  const { base, out, ofTrial } = trialRigs(open, all)
  const ends = [
    { title: 'Out there', rigs: out },
    { title: 'At the base', rigs: base },
  ]
  return (
    <ComparePlace
      trialId={id}
      ends={ends}
      ofTrial={ofTrial}
      parts={listParts(db())}
      letters={all.map((r) => r.letter)}
      units={await readUnits()}
    />
  )
}
