import { notFound } from 'next/navigation'
import { Suspense } from 'react'
import { isPredicted } from '@/core/reach'
import { reportSpreadDb } from '@/core/reports'
import { db, groundOfTrial, listParts, listRigs, listSites, openTrial, predictionOf } from '@/data'
import { burdensOf } from '@/features/findings/reach/burdens'
import { HonestPart } from '@/features/reach/HonestPart'
import { ReachStep } from '@/features/reach/ReachStep'
import { honestlyChecked, learntCorrection, reachOnGround } from '@/server/learntCorrection'
import { readUnits } from '@/server/readUnits'

async function Honest({ id }: { id: string }) {
  return <HonestPart check={await honestlyChecked(db(), id)} />
}

export default async function ReachPage({ params }: { params: Promise<{ id: string }> }) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  const { trial, site, legs, links } = open
  return (
    <ReachStep
      trialId={trial.id}
      trialName={trial.name}
      site={site}
      sites={listSites(db())}
      legs={legs}
      links={links.filter(isPredicted)}
      directions={trial.directions}
      reliability={trial.reliability}
      ground={groundOfTrial(db(), open)}
      prediction={predictionOf(trial)}
      correction={await learntCorrection(db(), trial.id)}
      onLegs={await reachOnGround(db(), open)}
      burdens={burdensOf(listRigs(db()), listParts(db()))}
      reportDb={reportSpreadDb(trial.scales)}
      units={await readUnits()}
      honest={
        <Suspense fallback={<p>Holding the map against the log…</p>}>
          <Honest id={trial.id} />
        </Suspense>
      }
    />
  )
}
