import { notFound } from 'next/navigation'
import { db, listRuleSets, openTrial } from '@/data'
import { RulesPlace } from '@/features/kit/rules/RulesPlace'
import { readUnits } from '@/server/readUnits'

export default async function RulesPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const open = openTrial(db(), id)
  if (!open) notFound()
  return (
    <RulesPlace
      trialId={id}
      rows={listRuleSets(db())}
      chosen={open.trial.service}
      units={await readUnits()}
    />
  )
}
