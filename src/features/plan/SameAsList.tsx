'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'

const USUAL = [
  'Same operator',
  'Same listener',
  'Same battery',
  'Same spot at each mark',
  'Same height and hold',
  'Squelch open',
]

const PILL = {
  borderRadius: '16px',
  borderColor: 'var(--rule)',
  color: 'var(--ink)',
  fontWeight: 400,
  fontSize: '0.85rem',
  py: 0.4,
  px: 1.5,
}
const RAISED = { background: 'color-mix(in srgb, var(--ink) 14%, transparent)' }
const HELD = { ...PILL, ...RAISED, gap: 0.75, '&:hover': RAISED }

/** What is held the same for every link. */
export function SameAsList({ value, onChange }: { value: string[]; onChange: (v: string[]) => void }) {
  const [text, setText] = useState('')
  const add = (line: string) => {
    const plain = line.trim()
    if (plain && !value.includes(plain)) onChange([...value, plain])
    setText('')
  }
  return (
    <Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 1.5 }}>
        {value.map((v) => (
          <Button
            key={v}
            variant="contained"
            aria-label={`Take out: ${v}`}
            onClick={() => onChange(value.filter((x) => x !== v))}
            sx={HELD}
          >
            {v} <span aria-hidden>×</span>
          </Button>
        ))}
        {USUAL.filter((u) => !value.includes(u)).map((u) => (
          <Button key={u} variant="outlined" onClick={() => add(u)} sx={PILL}>
            + {u}
          </Button>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextField
          label="Something else held the same"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return
            e.preventDefault()
            add(text)
          }}
          sx={{ flex: 1, maxWidth: 420 }}
        />
        <Button onClick={() => add(text)}>Add</Button>
      </Box>
    </Box>
  )
}
