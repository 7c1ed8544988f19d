import { notFound } from 'next/navigation'
import { db, entriesOf, getRun } from '@/data'
import { LogSheet } from '@/features/field/desk/LogSheet'
import { readUnits } from '@/server/readUnits'

export default async function SheetPage({ searchParams }: { searchParams: Promise<{ run?: string }> }) {
  const run = getRun(db(), (await searchParams).run ?? '')
  if (!run) notFound()
  return (
    <LogSheet
      runId={run.id}
      runName={run.name}
      plan={run.plan}
      entries={entriesOf(db(), run.id)}
      units={await readUnits()}
    />
  )
}
