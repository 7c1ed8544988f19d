import { db, listMeasurementHeads } from '@/data'
import { benchParts } from '@/features/bench/benchParts'
import { TurnPlace } from '@/features/bench/turn/TurnPlace'
import { slopeOfTrial } from '@/features/kit/sums/slopeOfTrial'
import { readUnits } from '@/server/readUnits'
import { PageHead } from '@/ui/shell'

interface Props {
  params: Promise<{ id?: string }>
}

/** By itself or within a trial, whose ground then has a slope. */
export default async function TurnPage({ params }: Props) {
  const { id } = await params
  return (
    <>
      <PageHead
        title="Turn"
        lead="An antenna turned before a steady source: where it hears, and what turning costs."
      />
      <TurnPlace
        antennas={benchParts(db()).antennas}
        kept={listMeasurementHeads(db(), 'turn')}
        slope={id === undefined ? null : (slopeOfTrial(db(), id)?.slope ?? null)}
        units={await readUnits()}
      />
    </>
  )
}
