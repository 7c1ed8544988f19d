import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { db, openTrial } from '@/data'
import { trialState } from '@/features/trials/trialLine'
import { Shell } from '@/ui/shell'
import { readUnits } from '@/server/readUnits'

export const dynamic = 'force-dynamic'

export default async function TrialLayout({
  children,
  params,
}: {
  children: ReactNode
  params: Promise<{ id: string }>
}) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  const state = trialState(db(), open.trial.id)
  const steps = [
    { slug: 'kit', name: 'Kit', state: state.kit },
    { slug: 'bench', name: 'Bench', state: state.bench },
    { slug: 'ground', name: 'Ground', state: state.ground },
    { slug: 'plan', name: 'Plan', state: state.plan },
    { slug: 'field', name: 'Field', state: state.field },
    { slug: 'findings', name: 'Findings', state: state.findings },
    { slug: 'reach', name: 'Reach', state: state.reach },
  ]
  const { id, name, question } = open.trial
  return (
    <Shell trialId={id} trialName={name} question={question} steps={steps} units={await readUnits()}>
      {children}
    </Shell>
  )
}
