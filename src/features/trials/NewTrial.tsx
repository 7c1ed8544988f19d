'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { MAX_LETTERS } from '@/core/schema/limits'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { makeTrial } from './actions'

export function NewTrial() {
  const router = useRouter()
  const action = useAction()
  const [name, setName] = useState('')
  const [question, setQuestion] = useState('')
  useUnsaved((name !== '' || question !== '') && !action.busy)
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        void action.run(
          () => makeTrial({ name, question }),
          (id) => router.push(`/trials/${id}/kit`),
        )
      }}
      sx={{ display: 'grid', gap: 1.5, maxWidth: 620 }}
    >
      <TextField
        label="Name of the trial"
        value={name}
        onChange={(e) => setName(e.target.value)}
        slotProps={{ htmlInput: { maxLength: MAX_LETTERS.trialName } }}
      />
      <TextField
        label="The question it is to answer"
        placeholder="Which antenna should we carry, and how far does each reach?"
        value={question}
        onChange={(e) => setQuestion(e.target.value)}
        slotProps={{ htmlInput: { maxLength: MAX_LETTERS.question } }}
      />
      {action.refusal('No trial was made', 'Name')}
      <Box>
        <Button type="submit" variant="contained" disabled={action.busy}>
          Start this trial
        </Button>
      </Box>
    </Box>
  )
}
