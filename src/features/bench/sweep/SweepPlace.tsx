'use client'

import Box from '@mui/material/Box'
import type { MeasurementOf } from '@/core/bench'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import type { MeasurementHead } from '@/data/measurements'
import { KeptList } from '../KeptList'
import { Step } from '../Step'
import { TwoColumns } from '../TwoColumns'
import type { BenchAntenna } from '../types'
import { LimitFields } from './LimitFields'
import { StationSteps } from './StationSteps'
import { SweepRead } from './SweepRead'
import { useLimits } from './useLimits'
import { useStation } from './useStation'
import { fromKept } from './useSweeps'

interface Props {
  antennas: readonly BenchAntenna[]
  /** The antenna asked for in the address. */
  antennaId: string | null
  kept: readonly MeasurementHead[]
}

/** The sweep of an antenna: its limit, an instrument made good, and what the sweep says. */
export function SweepPlace({ antennas, antennaId, kept }: Props) {
  const limits = useLimits(antennas, antennaId)
  const station = useStation(limits.span, limits.ohm, 'As it is')
  useUnsaved(station.sweeps.list.some((s) => s.kept === null && s.source !== 'file'))
  return (
    <>
      <TwoColumns
        side={
          <>
            <Step n={1} title="Band and limit">
              <LimitFields limits={limits} antennas={antennas} />
            </Step>
            <StationSteps
              station={station}
              ohm={limits.ohm}
              example="With a counterpoise, in the hand, after the walk"
            />
          </>
        }
      >
        <SweepRead limits={limits} sweeps={station.sweeps} antennas={antennas} />
      </TwoColumns>
      <Box>
        <KeptList<MeasurementOf<'sweep'>>
          kept={kept}
          parts={antennas}
          open="Lay it over"
          onOpen={(m) => station.sweeps.add(fromKept(m))}
        />
      </Box>
    </>
  )
}
