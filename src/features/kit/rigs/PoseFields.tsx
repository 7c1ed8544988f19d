'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import {
  changePort,
  setTwoPorts,
  type Assembly,
  type Part,
  type PlacedRig,
  type Polarisation,
} from '@/core/kit'
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

const POLARISATIONS: Polarisation[] = ['vertical', 'horizontal', 'slant', 'circular']

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
  const mounts = parts.filter((p) => p.kind === 'mount')
  const masts = parts.filter((p) => p.kind === 'mast')
  const f = { facts, errors, onChange: on.onFacts }
  const radioUnits = unitRows.filter((u) => u.partId === assembly.radioId)
  const pick = (key: 'mountId' | 'mastId', label: string, list: readonly Part[]) => (
    <TextField
      select
      slotProps={SAYS_EMPTY}
      label={label}
      value={assembly.ports[portIndex]![key] ?? ''}
      onChange={(e) => on.onAssembly((a) => changePort(a, portIndex, { [key]: e.target.value || null }))}
    >
      <MenuItem value="">none</MenuItem>
      {list.map((p) => (
        <MenuItem key={p.id} value={p.id}>
          {p.name}
        </MenuItem>
      ))}
    </TextField>
  )
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
          {pick('mountId', 'Mount', mounts)}
          {pick('mastId', 'Mast', masts)}
          <TextField
            select
            slotProps={SAYS_EMPTY}
            label="Polarisation"
            value={assembly.ports[portIndex]!.polarisation ?? ''}
            onChange={(e) =>
              on.onAssembly((a) =>
                changePort(a, portIndex, { polarisation: (e.target.value || null) as Polarisation | null }),
              )
            }
          >
            <MenuItem value="">
              {port.antenna ? `as made: ${port.antenna.spec.polarisation}` : 'as made'}
            </MenuItem>
            {POLARISATIONS.map((p) => (
              <MenuItem key={p} value={p}>
                {p}
              </MenuItem>
            ))}
          </TextField>
          <FactField {...f} name="azimuthDeg" label="Azimuth" unit="°" />
          <FactField {...f} name="tiltDeg" label="Tilt" unit="°" />
          {port.mast && <FactField {...f} name="wayIn" label="Mast foot to radio" unit={lengthUnit(units)} />}
          <FactField {...f} name="mode" label="Mode" />
          <FactField {...f} name="bandwidthKHz" label="Bandwidth" unit="kHz" />
          {radioUnits.length > 0 && (
            <TextField
              select
              slotProps={SAYS_EMPTY}
              label="Unit of the radio"
              value={assembly.radioUnitId ?? ''}
              onChange={(e) => on.onAssembly((a) => ({ ...a, radioUnitId: e.target.value || null }))}
            >
              <MenuItem value="">any of them</MenuItem>
              {radioUnits.map((u) => (
                <MenuItem key={u.id} value={u.id}>
                  {u.label}
                </MenuItem>
              ))}
            </TextField>
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
