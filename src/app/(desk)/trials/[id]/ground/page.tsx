import { notFound } from 'next/navigation'
import { estimatedMinutesAtMark, type WayOfWorking } from '@/core/trial'
import {
  db,
  groundOfTrial,
  keptLegs,
  listSites,
  openTrial,
  otherPlacesWithLegs,
  planOf,
  predictionOf,
} from '@/data'
import { GroundStep } from '@/features/ground/GroundStep'
import { learntCorrection } from '@/server/learntCorrection'
import { readUnits } from '@/server/readUnits'

const GROUND_LEADS: Record<WayOfWorking, string> = {
  marks:
    'Where the base stands, the marks to stop at along each leg, and what to expect there. Distances are crow-flies from the base.',
  anywhere:
    'Where the base stands. Marks are made out there, wherever you stop; those you know already can be set here.',
  edges:
    'Where the base stands, so that the device can tell how far out you are. No marks are needed; without coordinates, distances are typed out there.',
  'by ear':
    'Where the base stands, so that the device can tell how far out you are. No marks are needed; legs tell one side of the hill from another.',
  'one place':
    'Nothing is needed here: at one place only what is plugged in changes. Go on to Plan or Field.',
}

export default async function GroundPage({ params }: { params: Promise<{ id: string }> }) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  return (
    <GroundStep
      trialId={open.trial.id}
      trialName={open.trial.name}
      directions={open.trial.directions}
      reliability={open.trial.reliability}
      ground={groundOfTrial(db(), open)}
      prediction={predictionOf(open.trial)}
      correction={await learntCorrection(db(), open.trial.id)}
      site={open.site}
      sites={listSites(db()).filter((s) => s.role !== 'base')}
      legs={open.legs}
      links={open.links}
      kept={keptLegs(db(), open.trial.id)}
      places={otherPlacesWithLegs(db(), open.trial.id)}
      minutesAtMark={estimatedMinutesAtMark(planOf(open))}
      lead={GROUND_LEADS[open.trial.way]}
      units={await readUnits()}
    />
  )
}
