'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { useAction } from '@/ui/answers/useAction'
import { describeAddedRig } from './actions'

interface Props {
  runId: string
  added: { linkId: string; name: string }
  rigs: { id: string; letter: string; name: string }[]
}

/** A rig that was added out there, said afterwards to be one of the kit. */
export function DescribeRig({ runId, added, rigs }: Props) {
  const [rigId, setRig] = useState('')
  const action = useAction()
  const save = () => action.run(() => describeAddedRig(runId, added.linkId, rigId))
  return (
    <Box sx={{ flex: '1 0 100%', display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
      <Box sx={{ flex: '1 1 260px', borderLeft: '5px solid var(--accent)', pl: 1.5 }}>
        <b>{added.name}</b> was added out there. Until it is described its power is taken as that of the rig
        beside it.
        {action.refusal('It was not described', 'Rig')}
      </Box>
      <TextField
        select
        label="It is this rig of the kit"
        value={rigId}
        onChange={(e) => setRig(e.target.value)}
        sx={{ minWidth: 240 }}
      >
        {rigs.map((r) => (
          <Option key={r.id} value={r.id}>
            {r.letter} {r.name}
          </Option>
        ))}
      </TextField>
      <Button variant="outlined" disabled={rigId === '' || action.busy} onClick={() => void save()}>
        Describe it so
      </Button>
    </Box>
  )
}
