import { notFound } from 'next/navigation'
import { estimatedMinutesAtMark } from '@/core/trial'
import { db, keptLegs, listAreas, listBackdrops, listGrids, listSites, openTrial, planOf } from '@/data'
import { GroundStep } from '@/features/ground/GroundStep'
import { readUnits } from '@/ui/shell/readUnits'

export default async function GroundPage({ params }: { params: Promise<{ id: string }> }) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  return (
    <GroundStep
      trialId={open.trial.id}
      trialName={open.trial.name}
      directions={open.trial.directions}
      reliability={open.trial.reliability}
      areas={listAreas(db())}
      backdrops={listBackdrops(db())}
      site={open.site}
      sites={listSites(db()).filter((s) => s.role !== 'base')}
      legs={open.legs}
      links={open.links}
      grids={listGrids(db())}
      kept={keptLegs(db(), open.trial.id)}
      minutesAtMark={estimatedMinutesAtMark(planOf(open))}
      units={await readUnits()}
    />
  )
}
