import { db, listGrids, listMeasurementHeads } from '@/data'
import { BearingsPlace } from '@/features/bench/bearings/BearingsPlace'
import { readUnits } from '@/server/readUnits'
import { PageHead } from '@/ui/shell'

export default async function BearingsPage() {
  return (
    <>
      <PageHead
        title="Bearings"
        lead="Bearings from known places cross where a transmitter is; how sure that is, and where to stand next."
      />
      <BearingsPlace
        kept={listMeasurementHeads(db(), 'bearings')}
        grids={listGrids(db())}
        units={await readUnits()}
      />
    </>
  )
}
