'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { CONDITIONS } from '@/core/trial'
import type { MenuProps } from './shared'

/** What else can make the difference, ticked where it is the same for all rigs. */
const CONFOUNDERS = [
  'Same operator for all rigs',
  'Same height and place on the body',
  'Same battery state',
  'Same leads and adapters',
  'Nobody else on the channel',
  'Nothing moved at the base',
]

/** Conditions at the start, in between and at the end. */
export function ConditionsPart({ handle, actions }: MenuProps) {
  const before = handle.log.events.flatMap((e) => (e.body.kind === 'conditions' ? [e.body] : [])).at(-1)
  const [values, setValues] = useState<Record<string, string>>(before?.values ?? {})
  const [ticked, setTicked] = useState<string[]>(before?.ticked ?? [])
  const save = (when: 'start' | 'change' | 'end') =>
    void actions.addEvent(
      { kind: 'conditions', when, values, ticked },
      when === 'start'
        ? 'Logged: conditions at the start'
        : when === 'end'
          ? 'Logged: conditions at the end'
          : 'Logged: conditions as they are now',
    )
  return (
    <>
      {CONDITIONS.map(({ key, label, example }) => (
        <TextField
          key={key}
          label={label}
          placeholder={example}
          value={values[key] ?? ''}
          onChange={(e) => setValues({ ...values, [key]: e.target.value })}
        />
      ))}
      <Box>
        {CONFOUNDERS.map((c) => (
          <FormControlLabel
            key={c}
            sx={{ display: 'flex', minHeight: 48 }}
            control={
              <Checkbox
                checked={ticked.includes(c)}
                onChange={(e) => setTicked(e.target.checked ? [...ticked, c] : ticked.filter((t) => t !== c))}
              />
            }
            label={c}
          />
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" size="large" onClick={() => save('start')}>
          So it is at the start
        </Button>
        <Button variant="outlined" size="large" onClick={() => save('change')}>
          It changed to this
        </Button>
        <Button variant="outlined" size="large" onClick={() => save('end')}>
          So it is at the end
        </Button>
      </Box>
    </>
  )
}
