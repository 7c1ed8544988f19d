'use client'

import Box from '@mui/material/Box'
import type { MeasurementOf } from '@/core/bench'
import { shownUnit, type Units } from '@/core/units'
import { NumberBox } from '@/ui/fields/NumberBox'
import type { MeasurementHead } from '@/data/measurements'
import { KeptList } from '../KeptList'
import { Step } from '../Step'
import { StationSteps } from '../sweep/StationSteps'
import { fromKept } from '../sweep/useSweeps'
import { useStation } from '../sweep/useStation'
import { TwoColumns } from '../TwoColumns'
import { PickPart } from '../PickPart'
import type { BenchLead } from '../types'
import { LeadRead } from './LeadRead'
import { LengthSums } from './LengthSums'
import { useLeadFields, type LeadFields } from './useLeadFields'

interface Props {
  leads: readonly BenchLead[]
  kept: readonly MeasurementHead[]
  units: Units
}

/** A lead by its own sweep: loss, length, faults; and what part of a wave a length is. */
export function LeadPlace({ leads, kept, units }: Props) {
  const fields = useLeadFields(leads, units)
  const station = useStation(fields.span, 50, 'Far end open')
  return (
    <>
      <TwoColumns
        side={
          <>
            <Step n={1} title="Lead and span">
              <LeadSide fields={fields} leads={leads} units={units} />
            </Step>
            <StationSteps station={station} ohm={50} example="Far end open, far end shorted" />
          </>
        }
      >
        <LeadRead fields={fields} sweeps={station.sweeps} leads={leads} units={units} />
        <LengthSums units={units} />
      </TwoColumns>
      <KeptList<MeasurementOf<'sweep'>>
        kept={kept}
        parts={leads}
        open="Read it"
        onOpen={(m) => station.sweeps.add(fromKept(m))}
      />
    </>
  )
}

function LeadSide({
  fields: f,
  leads,
  units,
}: {
  fields: LeadFields
  leads: readonly BenchLead[]
  units: Units
}) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
      <PickPart
        label="Lead"
        partId={f.leadId}
        parts={leads}
        onPick={f.chooseLead}
        sx={{ gridColumn: '1 / -1' }}
      />
      <NumberBox
        label="Length by the tape"
        unit={shownUnit('m', units)}
        value={f.text.length}
        problem={f.lengthProblem}
        onChange={(length) => f.set({ length })}
      />
      <NumberBox
        label="Velocity factor"
        value={f.text.velocity}
        problem={f.velocityProblem}
        onChange={(velocity) => f.set({ velocity })}
      />
      <NumberBox
        label="Start"
        unit="MHz"
        value={f.text.from}
        problem={f.spanProblem}
        onChange={(from) => f.set({ from })}
      />
      <NumberBox label="Stop" unit="MHz" value={f.text.to} onChange={(to) => f.set({ to })} />
      <NumberBox label="Points" value={f.text.points} onChange={(points) => f.set({ points })} />
      <NumberBox label="Loss wanted at" unit="MHz" value={f.text.at} onChange={(at) => f.set({ at })} />
    </Box>
  )
}
