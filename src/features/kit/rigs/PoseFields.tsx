'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import Typography from '@mui/material/Typography'
import { changePort, setTwoPorts, type Assembly, type Part, type PlacedRig, POLARISATIONS } from '@/core/kit'
import { PickOne } from '@/ui/fields/PickOne'
import { lengthUnit, type Units } from '@/core/units'
import type { UnitRow } from '@/data/parts'
import { FactField } from './FactsFields'
import { PoseFigure } from './PoseFigure'
import { numberIn } from '@/ui/fields/NumberBox'
import type { RigFacts } from './useRigDraft'

interface Props {
  rig: PlacedRig
  assembly: Assembly
  portIndex: number
  facts: RigFacts
  parts: readonly Part[]
  unitRows: UnitRow[]
  units: Units
  errors: Record<string, string>
  onFacts: (change: Partial<RigFacts>) => void
  onAssembly: (change: (a: Assembly) => Assembly) => void
}

/** A choice left empty shows what empty means. */
const SAYS_EMPTY = { select: { displayEmpty: true }, inputLabel: { shrink: true } }

interface ChoiceProps<T extends string> {
  label: string
  value: T | null
  /** What leaving it empty means. */
  empty: string
  options: { value: T; name: string }[]
  onPick: (value: T | null) => void
}

/** One of a list, or none of it. */
function Choice<T extends string>({ label, value, empty, options, onPick }: ChoiceProps<T>) {
  return (
    <PickOne
      label={label}
      slotProps={SAYS_EMPTY}
      value={value ?? ''}
      options={[{ value: '' as const, name: empty }, ...options]}
      onPick={(v) => onPick(v === '' ? null : v)}
    />
  )
}

/** Mount, mast, pose, second port and what goes along. */
export function PoseFields({
  rig,
  assembly,
  portIndex,
  facts,
  parts,
  unitRows,
  units,
  errors,
  ...on
}: Props) {
  const port = rig.ports[portIndex]!
  const f = { facts, errors, onChange: on.onFacts }
  const radioUnits = unitRows.filter((u) => u.partId === assembly.radioId)
  return (
    <Box component="section" aria-label="Where it is and how it stands">
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Where it is and how it stands
      </Typography>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start', flexWrap: 'wrap' }}>
        <PoseFigure
          place={port.mount?.spec.place ?? null}
          mast={port.mast !== null}
          polarisation={port.polarisation}
          tiltDeg={numberIn(facts.tiltDeg)}
          azimuthDeg={numberIn(facts.azimuthDeg)}
        />
        <Box
          sx={{
            flex: '1 1 300px',
            display: 'grid',
            gap: 1.5,
            gridTemplateColumns: 'repeat(auto-fill, minmax(190px, 1fr))',
          }}
        >
          {(['mountId', 'mastId'] as const).map((key) => (
            <Choice
              key={key}
              label={key === 'mountId' ? 'Mount' : 'Mast'}
              value={assembly.ports[portIndex]![key]}
              empty="none"
              options={parts
                .filter((p) => p.kind === (key === 'mountId' ? 'mount' : 'mast'))
                .map((p) => ({ value: p.id, name: p.name }))}
              onPick={(id) => on.onAssembly((a) => changePort(a, portIndex, { [key]: id }))}
            />
          ))}
          <Choice
            label="Polarisation"
            value={assembly.ports[portIndex]!.polarisation}
            empty={port.antenna ? `as made: ${port.antenna.spec.polarisation}` : 'as made'}
            options={POLARISATIONS.map((p) => ({ value: p, name: p }))}
            onPick={(polarisation) => on.onAssembly((a) => changePort(a, portIndex, { polarisation }))}
          />
          <FactField {...f} name="azimuthDeg" label="Azimuth" unit="°" />
          <FactField {...f} name="tiltDeg" label="Tilt" unit="°" />
          {port.mast && <FactField {...f} name="wayIn" label="Mast foot to radio" unit={lengthUnit(units)} />}
          <FactField {...f} name="mode" label="Mode" />
          <FactField {...f} name="bandwidthKHz" label="Bandwidth" unit="kHz" />
          {radioUnits.length > 0 && (
            <Choice
              label="Unit of the radio"
              value={assembly.radioUnitId}
              empty="any of them"
              options={radioUnits.map((u) => ({ value: u.id, name: u.label }))}
              onPick={(radioUnitId) => on.onAssembly((a) => ({ ...a, radioUnitId }))}
            />
          )}
          {assembly.ports.length > 1 && (
            <FactField {...f} name="spacing" label="Antennas apart" unit={lengthUnit(units)} />
          )}
        </Box>
      </Box>
      {rig.radio?.spec.secondConnector && (
        <FormControlLabel
          control={
            <Checkbox
              checked={assembly.ports.length > 1}
              onChange={(e) => on.onAssembly((a) => setTwoPorts(a, e.target.checked))}
            />
          }
          label="Both antenna ports are used"
        />
      )}
      {rig.along.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <span style={{ color: 'var(--soft)' }}>Goes along: </span>
          {rig.along.map((p) => (
            <Button
              key={p.id}
              size="small"
              aria-label={`Leave ${p.name} at home`}
              onClick={() =>
                on.onAssembly((a) => ({ ...a, alongIds: a.alongIds.filter((id) => id !== p.id) }))
              }
            >
              {p.name} ×
            </Button>
          ))}
        </Box>
      )}
      <FactField {...f} name="note" label="Note" fullWidth sx={{ mt: 1.5 }} />
    </Box>
  )
}
