'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { SET_KINDS } from '@/core/kit'
import { heightText, type Units } from '@/core/units'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { addSets } from './actions'

interface Props {
  trialId: string
  /** There is a rig at the base already. */
  hasBase: boolean
  units: Units
  onDone: () => void
}

/** Several rigs of one usual kind by their names alone. */
export function SetsForm({ trialId, hasBase, units, onDone }: Props) {
  const action = useAction()
  const [setKind, setSetKind] = useState(SET_KINDS[0]!.name)
  const [channel, setChannel] = useState(SET_KINDS[0]!.channels[0]!.name)
  const [base, setBase] = useState(hasBase ? '' : 'Base')
  const [names, setNames] = useState('')
  useUnsaved(names !== '' && !action.busy)
  const kind = SET_KINDS.find((k) => k.name === setKind)!
  const mhz = kind.channels.find((c) => c.name === channel)!.mhz
  const out = names
    .split('\n')
    .map((n) => n.trim())
    .filter(Boolean)
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        void action.run(() => addSets({ trialId, setKind, channel, base: base.trim(), out }), onDone)
      }}
      sx={{ background: 'var(--raised)', border: '1px solid var(--rule)', p: { xs: 2, md: 3 }, mb: 3 }}
    >
      <Typography variant="h2" component="h2" sx={{ mb: 2 }}>
        Sets of a usual kind
      </Typography>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '2fr 1fr' } }}>
        <TextField
          select
          label="Kind of set"
          value={setKind}
          onChange={(e) => {
            setSetKind(e.target.value)
            setChannel(SET_KINDS.find((k) => k.name === e.target.value)!.channels[0]!.name)
          }}
        >
          {SET_KINDS.map((k) => (
            <MenuItem key={k.name} value={k.name}>
              {k.name}
            </MenuItem>
          ))}
        </TextField>
        {kind.channels.length > 1 && (
          <TextField select label="Channel" value={channel} onChange={(e) => setChannel(e.target.value)}>
            {kind.channels.map((c) => (
              <MenuItem key={c.name} value={c.name}>
                {c.name} · {c.mhz} MHz
              </MenuItem>
            ))}
          </TextField>
        )}
        <Box sx={{ color: 'var(--soft)', gridColumn: '1 / -1' }}>
          {mhz} MHz, {kind.powerW} W, {heightText(kind.antennaHeightM, units)} over the ground
          {kind.fixedAntenna ? ', its antenna fixed' : ''}. Any of it can be changed afterwards, rig by rig.
        </Box>
        <TextField
          label="Out there, one name a line"
          multiline
          minRows={3}
          value={names}
          onChange={(e) => setNames(e.target.value)}
          placeholder={'Short antenna\nLong antenna'}
        />
        <TextField
          label="At the base"
          value={base}
          onChange={(e) => setBase(e.target.value)}
          helperText={hasBase ? 'There is one; empty adds none' : 'Empty adds none'}
          sx={{ alignSelf: 'start' }}
        />
      </Box>
      {action.refusal('Nothing was added', 'Sets')}
      <Box sx={{ display: 'flex', gap: 1, mt: 2 }}>
        <Button
          type="submit"
          variant="contained"
          disabled={action.busy || out.length + Number(base !== '') === 0}
        >
          {out.length + Number(base.trim() !== '') > 1
            ? `Add ${out.length + Number(base.trim() !== '')} rigs`
            : 'Add it'}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </Box>
    </Box>
  )
}
