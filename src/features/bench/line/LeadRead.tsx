'use client'

import Box from '@mui/material/Box'
import { useRef, useState } from 'react'
import {
  faultsSaid,
  leadMeasured,
  leadSaid,
  reflectionsOf,
  sameFrequencies,
  timeDomain,
  type BodyByKind,
  type Sweep,
} from '@/core/bench'
import type { Units } from '@/core/units'
import { PickOne } from '@/ui/fields/PickOne'
import { TakeAlong } from '@/ui/figures/TakeAlong'
import { Quiet } from '@/ui/shell/Quiet'
import { BenchAnswer, NothingYet } from '../Answer'
import { KeepForm } from '../KeepForm'
import type { DeskSweep, Sweeps } from '../sweep/useSweeps'
import { NONE } from '../PickPart'
import type { BenchLead } from '../types'
import { DistancePicture } from './DistancePicture'
import { alongText } from './alongText'
import type { LeadFields } from './useLeadFields'

interface Props {
  fields: LeadFields
  sweeps: Sweeps
  leads: readonly BenchLead[]
  units: Units
}

/** What a lead's sweep says: loss, velocity factor, and what reflects where. */
export function LeadRead({ fields, sweeps, leads, units }: Props) {
  const { chosen } = sweeps
  if (!chosen)
    return (
      <NothingYet title="What does the lead take, and is it whole?">
        Leave its far end open, sweep it, short the far end, and sweep it again. Half of what is missing is
        lost each way; the phase tells its length, and how far away a fault is.
      </NothingYet>
    )
  if (!chosen.sweep.phase)
    return (
      <Box role="alert">
        This file has sizes only. Length and distance want phase: sweep it with phase, or take a Touchstone
        file.
      </Box>
    )
  return <Read fields={fields} sweeps={sweeps} chosen={chosen} leads={leads} units={units} />
}

function Read({ fields: f, sweeps, chosen, leads, units }: Props & { chosen: DeskSweep }) {
  const box = useRef<HTMLDivElement>(null)
  const others = sweeps.list.filter(
    (s) =>
      s.id !== chosen.id && s.sweep.phase && sameFrequencies(s.sweep.frequencyMHz, chosen.sweep.frequencyMHz),
  )
  const [otherId, setOtherId] = useState<string | null>(null)
  // Another set-up over the same frequencies is the far end the other way, unless somebody says otherwise.
  const other =
    otherId === NONE
      ? null
      : (others.find((s) => s.id === otherId) ?? others.find((s) => s.setUp !== chosen.setUp) ?? null)
  const ends: [Sweep, ...Sweep[]] = other ? [chosen.sweep, other.sweep] : [chosen.sweep]
  const measured = leadMeasured(ends)
  const text = (m: number) => alongText(m, units)
  const said = leadSaid(
    measured,
    { atMHz: f.atMHz ?? chosen.sweep.frequencyMHz[0]!, lengthM: f.lengthM },
    text,
  )
  const velocity = f.velocity ?? 1
  const t = timeDomain(chosen.sweep, velocity)
  const faults = reflectionsOf(t)
  const title = `${leads.find((l) => l.id === f.leadId)?.name ?? 'Lead'}, ${chosen.setUp}`
  return (
    <>
      <BenchAnswer>{said[0]}</BenchAnswer>
      <Box sx={{ mb: 1.5 }}>
        {said.slice(1).map((line) => (
          <Box key={line} sx={{ mt: 0.75 }}>
            {line}
          </Box>
        ))}
        <Box sx={{ mt: 0.75 }}>{faultsSaid(t, faults, f.lengthM, text)}</Box>
      </Box>
      <Box ref={box}>
        <DistancePicture t={t} faults={faults} lengthM={f.lengthM} units={units} />
      </Box>
      <Box className="no-print" sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mt: 1.5 }}>
        <PickOne
          label="Read"
          value={chosen.id}
          options={sweeps.list.map((s, i) => ({ value: s.id, name: `${i + 1}: ${s.setUp}` }))}
          onPick={sweeps.choose}
          sx={{ minWidth: 220 }}
        />
        <PickOne
          label="with its far end the other way"
          value={other?.id ?? NONE}
          options={[{ value: NONE, name: 'none' }, ...others.map((s) => ({ value: s.id, name: s.setUp }))]}
          onPick={setOtherId}
          sx={{ minWidth: 240 }}
        />
      </Box>
      <TakeAlong box={box} select="svg.distance-picture" title={title} />
      {chosen.kept !== null && <Quiet role="status">Kept as {chosen.kept}.</Quiet>}
      {chosen.kept === null && f.lengthM !== null && (
        <KeepForm
          key={chosen.id}
          kind="sweep"
          name={title}
          body={(): BodyByKind['sweep'] => ({
            sweep: chosen.sweep,
            band: null,
            limitSwr: 2,
            setUp: chosen.setUp,
            calibration: chosen.calibration,
            lead: { lengthM: f.lengthM ?? 1, other: other?.sweep ?? null },
          })}
          takenAt={chosen.takenAt}
          source={chosen.source}
          instrument={chosen.instrument}
          parts={leads}
          partId={f.leadId}
          gives="The lead takes its loss and velocity factor from it, and every budget with it."
          onKept={(_, name) => sweeps.markKept(chosen.id, name)}
        />
      )}
      {f.lengthM === null && (
        <Quiet small sx={{ mt: 1 }}>
          Type its length by the tape, and it can be kept with the lead.
        </Quiet>
      )}
    </>
  )
}
