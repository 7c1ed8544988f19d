'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import TextField from '@mui/material/TextField'
import { useState } from 'react'

const USUAL = [
  'Same operator',
  'Same listener',
  'Same battery',
  'Same spot at each mark',
  'Same height and hold',
  'Squelch open',
]

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
          <Chip key={v} label={v} onDelete={() => onChange(value.filter((x) => x !== v))} />
        ))}
        {USUAL.filter((u) => !value.includes(u)).map((u) => (
          <Chip key={u} label={`+ ${u}`} variant="outlined" onClick={() => add(u)} />
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
