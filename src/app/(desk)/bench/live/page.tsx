import { db, listMeasurementHeads } from '@/data'
import { benchParts } from '@/features/bench/benchParts'
import { LivePlace } from '@/features/bench/live/LivePlace'
import { PageHead } from '@/ui/shell'

export default function LivePage() {
  return (
    <>
      <PageHead
        title="Plug in and out"
        lead="What an antenna brings to a radio or modem on the desk: its level with it in and out, by turns."
      />
      <LivePlace antennas={benchParts(db()).antennas} kept={listMeasurementHeads(db(), 'live')} />
    </>
  )
}
