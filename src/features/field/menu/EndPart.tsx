'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { schedule } from '@/core/trial'
import { countText } from '@/core/units'
import type { MenuProps } from './shared'

/** Finishing a run, taking it up again, or voiding it with a reason. */
export function EndPart({ pack, handle, onClose }: MenuProps) {
  const [reason, setReason] = useState('')
  const [sure, setSure] = useState(false)
  const { log, add } = handle
  const left = schedule(pack.plan, log).filter((c) => c.state === 'to do').length
  const close = (work: Promise<unknown>) => void work.then(onClose)
  if (log.state !== 'going')
    return (
      <Box>
        <Button variant="outlined" onClick={() => close(add({ kind: 'run', state: 'reopened', reason: '' }))}>
          Take this run up again
        </Button>
      </Box>
    )
  return (
    <>
      {left > 0 && !sure ? (
        <Button variant="outlined" size="large" onClick={() => setSure(true)}>
          Finish this run
        </Button>
      ) : (
        <Button
          variant={left > 0 ? 'contained' : 'outlined'}
          size="large"
          onClick={() => close(add({ kind: 'run', state: 'finished', reason: '' }))}
        >
          {left > 0 ? `Yes, finish with ${countText(left, 'check')} not made` : 'Finish this run'}
        </Button>
      )}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextField
          fullWidth
          label="Why this run does not count"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
        <Button
          variant="outlined"
          color="error"
          disabled={reason.trim() === ''}
          onClick={() => close(add({ kind: 'run', state: 'voided', reason: reason.trim() }))}
        >
          Void this run
        </Button>
      </Box>
    </>
  )
}
