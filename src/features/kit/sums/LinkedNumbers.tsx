'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { NumberBox, numberIn } from '@/ui/fields/NumberBox'

/** One face of a quantity: how it follows from the base value, and how the base follows from it. */
export interface Face {
  id: string
  label: string
  unit?: string
  of: (base: number) => number
  /** @throws RangeError where the number cannot be */
  to: (value: number) => number
  help?: string
}

interface Props {
  title: string
  faces: Face[]
  base: number
  onBase: (base: number) => void
}

function shown(value: number): string {
  if (!Number.isFinite(value)) return 'none'
  if (value !== 0 && (Math.abs(value) < 0.001 || Math.abs(value) >= 1e6)) return value.toExponential(3)
  return String(Number(value.toPrecision(4)))
}

/** A quantity in all its faces: whichever is typed, the others follow. */
export function LinkedNumbers({ title, faces, base, onBase }: Props) {
  const [editing, setEditing] = useState<{ id: string; text: string; problem: string | null } | null>(null)
  const type = (face: Face, text: string) => {
    const n = numberIn(text)
    let problem: string | null = n === null ? 'This is not a number' : null
    if (n !== null)
      try {
        onBase(face.to(n))
      } catch (e) {
        if (!(e instanceof RangeError)) throw e
        problem = e.message
      }
    setEditing({ id: face.id, text, problem })
  }
  return (
    <Box component="section" aria-label={title} sx={{ mb: 2.5 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))',
          alignItems: 'start',
        }}
      >
        {faces.map((face) => {
          const mine = editing?.id === face.id
          return (
            <NumberBox
              key={face.id}
              label={face.label}
              unit={face.unit}
              value={mine ? editing.text : shown(face.of(base))}
              problem={mine ? editing.problem : null}
              helperText={face.help}
              onChange={(t) => type(face, t)}
              onBlur={() => setEditing(null)}
            />
          )
        })}
      </Box>
    </Box>
  )
}
