'use client'

import type { MeasurementOf } from '@/core/bench'
import type { Units } from '@/core/units'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import type { MeasurementHead } from '@/data/measurements'
import { KeptList } from '../KeptList'
import { TwoColumns } from '../TwoColumns'
import type { BenchAntenna } from '../types'
import { TurnRead } from './TurnRead'
import { TurnSide } from './TurnSide'
import { useOverload, useTurn } from './useTurn'

interface Props {
  antennas: readonly BenchAntenna[]
  kept: readonly MeasurementHead[]
  slope: number | null
  units: Units
}

/** An antenna turned before a steady source. */
export function TurnPlace({ antennas, kept, slope, units }: Props) {
  const turn = useTurn(antennas)
  const overload = useOverload()
  useUnsaved(turn.readings.length > 0 && turn.kept === null)
  return (
    <>
      <TwoColumns side={<TurnSide turn={turn} overload={overload} antennas={antennas} units={units} />}>
        <TurnRead turn={turn} antennas={antennas} kept={kept} slope={slope} />
      </TwoColumns>
      <KeptList<MeasurementOf<'turn'>> kept={kept} parts={antennas} open="Read it" onOpen={turn.open} />
    </>
  )
}
