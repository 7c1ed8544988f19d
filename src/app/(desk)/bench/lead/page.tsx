import { db, listMeasurementHeads } from '@/data'
import { benchParts } from '@/features/bench/benchParts'
import { LeadPlace } from '@/features/bench/line/LeadPlace'
import { readUnits } from '@/server/readUnits'
import { PageHead } from '@/ui/shell'

export default async function LeadPage() {
  return (
    <>
      <PageHead
        title="Lead and length"
        lead="What a lead takes, how long it is, where it is broken; and what part of a wave a length is."
      />
      <LeadPlace
        leads={benchParts(db()).leads}
        kept={listMeasurementHeads(db(), 'sweep').filter((m) => m.of === 'lead')}
        units={await readUnits()}
      />
    </>
  )
}
