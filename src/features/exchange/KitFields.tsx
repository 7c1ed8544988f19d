'use client'

import Box from '@mui/material/Box'
import { TextField } from '@/ui/fields/TextField'
import type { BaseField, KitDraft, RigField } from './dayDraft'

const RIG: [RigField, string][] = [
  ['name', 'Name'],
  ['powerW', 'Power (W)'],
  ['antennaHeightM', 'Height (m)'],
  ['antennaGainDbi', 'Gain (dBi)'],
  ['leadLossDb', 'Lead loss (dB)'],
]
const BASE: [BaseField, string][] = [...RIG, ['lat', 'Latitude'], ['lon', 'Longitude']]

/** What is known of the base and of the rigs, from the kit file or typed in. */
export function KitFields({ value, onChange }: { value: KitDraft; onChange: (k: KitDraft) => void }) {
  const grid = {
    display: 'grid',
    gridTemplateColumns: { xs: '1fr 1fr', md: '2fr repeat(4, 1fr)' },
    gap: 1.5,
    mb: 1.5,
  }
  return (
    <Box>
      <Box sx={{ color: 'var(--soft)', mb: 1.5, maxWidth: 760 }}>
        Leave gain and lead loss empty where they are not known. Where the base stood is only needed if the
        marks have coordinates.
      </Box>
      <TextField
        label="Frequency (MHz)"
        value={value.frequencyMHz}
        onChange={(e) => onChange({ ...value, frequencyMHz: e.target.value })}
        sx={{ mb: 2, width: 180 }}
      />
      <Box component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
        <Box component="legend" sx={{ fontWeight: 700, mb: 1 }}>
          At the base
        </Box>
        <Box sx={grid}>
          {BASE.map(([field, label]) => (
            <TextField
              key={field}
              label={label}
              value={value.base[field]}
              onChange={(e) => onChange({ ...value, base: { ...value.base, [field]: e.target.value } })}
            />
          ))}
        </Box>
      </Box>
      <Box component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
        <Box component="legend" sx={{ fontWeight: 700, mb: 1 }}>
          Out there
        </Box>
        {value.rigs.map((rig, i) => (
          <Box key={i} sx={grid}>
            {RIG.map(([field, label]) => (
              <TextField
                key={field}
                label={label}
                value={rig[field]}
                disabled={field === 'name'}
                onChange={(e) =>
                  onChange({
                    ...value,
                    rigs: value.rigs.map((r, k) => (k === i ? { ...r, [field]: e.target.value } : r)),
                  })
                }
              />
            ))}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
