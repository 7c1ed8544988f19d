'use client'

import Box from '@mui/material/Box'
import { useState } from 'react'
import { antennaFactorDb, fieldStrength } from '@/core/bench'
import { figureText } from '@/core/units'
import { NumberBox, numberIn } from '@/ui/fields/NumberBox'
import { Quiet } from '@/ui/shell/Quiet'

/** What a test antenna of known gain or factor makes of a reading. */
export function FieldStrengthSum({ frequencyMHz, leadDb }: { frequencyMHz: number | null; leadDb: number }) {
  const [text, setText] = useState({ reading: '', gain: '', factor: '' })
  const set = (change: Partial<typeof text>) => setText((old) => ({ ...old, ...change }))
  const [reading, typed] = [numberIn(text.reading), numberIn(text.factor)]
  const ofGain = (gain: string) => {
    const g = numberIn(gain)
    return g === null || frequencyMHz === null || frequencyMHz <= 0 ? null : antennaFactorDb(frequencyMHz, g)
  }
  const factor = typed ?? ofGain(text.gain)
  const field = reading === null || factor === null ? null : fieldStrength(reading, leadDb, factor)
  return (
    <Box sx={{ mt: 1 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
        <NumberBox label="Reading" unit="dBm" value={text.reading} onChange={(v) => set({ reading: v })} />
        <NumberBox label="Its gain" unit="dBi" value={text.gain} onChange={(v) => set({ gain: v })} />
        <NumberBox
          label="or its factor"
          unit="dB/m"
          value={text.factor}
          placeholder={ofGain(text.gain)?.toFixed(1) ?? ''}
          onChange={(v) => set({ factor: v })}
          sx={{ gridColumn: '1 / -1' }}
        />
      </Box>
      {field ? (
        <Box role="status" sx={{ mt: 0.75, fontWeight: 700 }}>
          {figureText(field.dBuVm)} dB(µV/m), {figureText(field.dBmM2)} dBm/m²
        </Box>
      ) : (
        <Quiet small sx={{ mt: 0.75 }}>
          The field at the antenna, across 50 ohm and with its lead’s loss added.
        </Quiet>
      )}
    </Box>
  )
}
