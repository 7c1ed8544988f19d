'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { useActionState } from 'react'
import { Refused } from '@/ui/shell'
import { makeTrial } from './actions'

export function NewTrial() {
  const [result, action, waiting] = useActionState(makeTrial, null)
  return (
    <Box component="form" action={action} sx={{ display: 'grid', gap: 1.5, maxWidth: 620 }}>
      <TextField
        name="name"
        label="Name of the trial"
        required
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <TextField
        name="question"
        label="The question it is to answer"
        placeholder="Which antenna should we carry, and how far does each reach?"
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
      {result && !result.ok && (
        <Refused title="No trial was made" problems={[{ where: 'Name', message: result.message }]} />
      )}
      <Box>
        <Button type="submit" variant="contained" disabled={waiting}>
          Start this trial
        </Button>
      </Box>
    </Box>
  )
}
