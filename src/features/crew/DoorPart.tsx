'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { asked } from '@/ui/answers/posted'
import { useAction } from '@/ui/answers/useAction'
import { CopyButton } from '@/ui/fields/CopyButton'
import type { CrewState } from './types'

interface Props {
  state: CrewState
  onChange: (state: CrewState) => void
}

/** Whether other devices of the network can come in at all: closed until somebody opens it. */
export function DoorPart({ state, onChange }: Props) {
  const action = useAction()
  const turn = (open: boolean) => action.run(() => asked<CrewState>('POST', '/api/crew', { open }), onChange)
  return (
    <Box
      component="section"
      aria-label="The door"
      sx={{
        border: '1px solid var(--rule)',
        borderLeft: `6px solid ${state.open ? 'var(--accent-fill)' : 'var(--rule)'}`,
        p: 2,
        mb: 3,
        maxWidth: 860,
      }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <Box sx={{ flex: '1 1 320px' }}>
          <Typography sx={{ fontWeight: 700, fontSize: '1.1rem' }} role="status">
            {state.open ? 'Other devices of this network can come in' : 'Only this machine has access'}
          </Typography>
          <Box sx={{ color: 'var(--soft)' }}>
            {state.open
              ? 'Nobody sees anything before they were brought in here. It closes when the server is stopped.'
              : 'Opening it makes a certificate for this machine and lets the devices of its network ask to come in, over TLS.'}
          </Box>
        </Box>
        <Button
          variant={state.open ? 'outlined' : 'contained'}
          disabled={action.busy}
          onClick={() => void turn(!state.open)}
        >
          {state.open ? 'Close it' : 'Let other devices in'}
        </Button>
      </Box>
      {state.open && state.secure[0] && (
        <Box sx={{ mt: 1, display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <span>
            Once trusted: <b>{state.secure[0]}</b>
          </span>
          <CopyButton text={() => state.secure[0]!} label="Copy the address" />
        </Box>
      )}
      {action.refusal('The door was left as it is')}
    </Box>
  )
}
