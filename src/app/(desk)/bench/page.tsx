import { db, listMeasurementHeads } from '@/data'
import { benchParts } from '@/features/bench/benchParts'
import { SweepPlace } from '@/features/bench/sweep/SweepPlace'
import { PageHead } from '@/ui/shell'

interface Props {
  searchParams: Promise<{ antenna?: string }>
}

export default async function SweepPage({ searchParams }: Props) {
  const { antennas } = benchParts(db())
  const wanted = (await searchParams).antenna
  return (
    <>
      <PageHead title="Sweep" lead="What comes back from an antenna over its band, held against a limit." />
      <SweepPlace
        antennas={antennas}
        antennaId={antennas.some((a) => a.id === wanted) ? wanted! : null}
        kept={listMeasurementHeads(db(), 'sweep').filter((m) => m.of === null)}
      />
    </>
  )
}
