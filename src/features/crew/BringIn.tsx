'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { DEVICE_ROLES, ROLE_WORDS, type DeviceRole, type Post } from '@/core/crew'
import { MAX_LETTERS } from '@/core/schema/limits'
import { asked } from '@/ui/answers/posted'
import { useAction } from '@/ui/answers/useAction'
import { FieldGrid } from '@/ui/fields/FieldGrid'
import { PickOne } from '@/ui/fields/PickOne'
import { InvitationCard, type Invited } from './InvitationCard'
import type { GivableRun } from './types'

export const ROLE_NAMES: Record<DeviceRole, string> = { field: 'Field', observer: 'Looks on', desk: 'Desk' }

export const POST_OPTIONS = [
  { value: 'ask', name: 'It chooses itself' },
  { value: 'out there', name: 'Out there' },
  { value: 'base', name: 'At the base' },
] as const
export type PostChoice = (typeof POST_OPTIONS)[number]['value']
export const postOf = (choice: PostChoice): Post | null => (choice === 'ask' ? null : choice)

const NO_RUN = 'none'

interface Props {
  runs: readonly GivableRun[]
  fingerprint: string | null
  /** Somebody came in. */
  onIn: () => void
}

/** Brings one device in: what it is called and what it may do, then the words and the picture to do it with. */
export function BringIn({ runs, fingerprint, onIn }: Props) {
  const action = useAction()
  const [name, setName] = useState('')
  const [role, setRole] = useState<DeviceRole>('field')
  const [runId, setRunId] = useState(runs[0]?.id ?? NO_RUN)
  const [post, setPost] = useState<PostChoice>('ask')
  const [invited, setInvited] = useState<Invited | null>(null)
  const logs = role !== 'observer'
  const invite = () => {
    const given = logs && runId !== NO_RUN ? [{ runId, post: postOf(post), rigIds: [] }] : []
    return action.run(
      () =>
        asked<Omit<Invited, 'name'>>('POST', '/api/crew/devices', { name: name.trim(), role, runs: given }),
      (made) => setInvited({ ...made, name: name.trim() }),
    )
  }
  if (invited)
    return (
      <InvitationCard
        key={invited.id}
        invited={invited}
        fingerprint={fingerprint}
        onIn={onIn}
        onAgain={() => void invite()}
        onEnd={() => {
          setInvited(null)
          setName('')
        }}
      />
    )
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        void invite()
      }}
      sx={{ maxWidth: 860 }}
    >
      <FieldGrid leastPx={200}>
        <TextField
          label="What you call the device"
          placeholder="Hill telephone"
          value={name}
          onChange={(e) => setName(e.target.value)}
          slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name } }}
        />
        <PickOne
          label="What it does"
          value={role}
          options={DEVICE_ROLES.map((value) => ({ value, name: ROLE_NAMES[value] }))}
          onPick={setRole}
          helperText={ROLE_WORDS[role]}
        />
        {logs && (
          <PickOne
            label="The run it is given"
            value={runId}
            options={[
              ...runs.map((r) => ({ value: r.id, name: `${r.name}, ${r.trial}` })),
              { value: NO_RUN, name: 'None yet' },
            ]}
            onPick={setRunId}
          />
        )}
        {logs && runId !== NO_RUN && (
          <PickOne label="Where in it" value={post} options={POST_OPTIONS} onPick={setPost} />
        )}
      </FieldGrid>
      {action.refusal('No words were made')}
      <Button type="submit" variant="contained" disabled={action.busy} sx={{ mt: 1.5 }}>
        Show the code
      </Button>
      {runs.length === 0 && logs && (
        <Typography sx={{ color: 'var(--soft)', mt: 1 }}>
          No run is going on. One that is begun later can be given to the device then.
        </Typography>
      )}
    </Box>
  )
}
