'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { ENDS_SWAPPED, marksNow } from '@/core/trial'
import { AddRigForm } from './AddRigForm'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import type { MenuProps } from './shared'

/** The ends of the plan, taken the other way round. */
function EndsPart({ actions, swapped }: Pick<MenuProps, 'actions'> & { swapped: boolean }) {
  return (
    <>
      <Typography variant="h3" component="h3">
        The ends mixed up
      </Typography>
      <Box>
        {swapped
          ? 'This run was begun with its ends mixed up; they are read the other way round.'
          : 'If what the plan has at the base is the one that is carried, all of this run is read the other way round. Nothing that is logged is lost.'}
      </Box>
      <Box>
        <Button
          variant="outlined"
          onClick={() =>
            void actions.addEvent(
              { kind: 'other', what: ENDS_SWAPPED, detail: {} },
              swapped ? 'Logged: the ends are as planned' : 'Logged: the ends are the other way round',
            )
          }
        >
          {swapped ? 'The ends are as planned' : 'The ends are the other way round'}
        </Button>
      </Box>
    </>
  )
}

/** What became different on the way; each is an entry that findings can point to. */
export function ChangesPart({ pack, handle, actions, now }: MenuProps) {
  const { log } = handle
  const { links } = pack.plan
  const [db, setDb] = useState('')
  const [text, setText] = useState('')
  const [linkId, setLink] = useState(now?.linkId ?? links[0]!.id)
  const bad = db === '' ? null : numberProblem(db, { min: 0, max: 120 }, 'dB')
  const link = links.find((l) => l.id === linkId)!
  const out = log.linksOut.includes(linkId)
  const legs = [...new Map(marksNow(pack.plan, log).map((m) => [m.legId, m.legName]))]
  return (
    <>
      <Typography variant="h3" component="h3">
        Attenuator
      </Typography>
      <Box>
        {log.attenuationDb > 0 ? `${log.attenuationDb} dB is in for all rigs.` : 'None is in.'} It must be
        rated for the full power.
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <NumberBox label="Attenuation" unit="dB" value={db} problem={bad} onChange={setDb} sx={{ flex: 1 }} />
        <Button
          variant="outlined"
          disabled={db === '' || bad !== null}
          onClick={() =>
            void actions
              .addEvent(
                { kind: 'change', what: 'attenuator', linkId: null, db: numberIn(db), text: '' },
                numberIn(db) === 0 ? 'Logged: attenuator out' : `Logged: ${numberIn(db)} dB in`,
              )
              .then(() => setDb(''))
          }
        >
          It is in now
        </Button>
      </Box>
      <Typography variant="h3" component="h3">
        A rig
      </Typography>
      <TextField select label="Rig" value={linkId} onChange={(e) => setLink(e.target.value)}>
        {links.map((l) => (
          <MenuItem key={l.id} value={l.id}>
            {l.letter} {l.name}
            {log.linksOut.includes(l.id) && ', taken out'}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="What happened"
        value={text}
        onChange={(e) => setText(e.target.value)}
        placeholder="antenna broke; worn on the belt for this one; other battery"
      />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          onClick={() =>
            void actions.addEvent(
              { kind: 'change', what: out ? 'rig back' : 'rig out', linkId, db: null, text: text.trim() },
              `Logged: ${link.name} ${out ? 'is back' : 'taken out'}`,
            )
          }
        >
          {out ? 'It is back' : 'Take it out of the run'}
        </Button>
        <Button
          variant="outlined"
          disabled={text.trim() === ''}
          onClick={() =>
            void actions
              .addEvent(
                { kind: 'change', what: 'pose', linkId, db: null, text: text.trim() },
                `Logged: ${link.name}, ${text.trim()}`,
              )
              .then(() => setText(''))
          }
        >
          Only note it
        </Button>
      </Box>
      <EndsPart actions={actions} swapped={log.endsSwapped} />
      <AddRigForm {...{ pack, handle, actions, now }} />
      {legs.length > 1 && (
        <>
          <Typography variant="h3" component="h3">
            Which leg first
          </Typography>
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            {legs.map(([id, name]) => (
              <Button
                key={id}
                variant="outlined"
                onClick={() =>
                  void actions.addEvent(
                    { kind: 'leg order', legIds: [id, ...legs.map(([l]) => l).filter((l) => l !== id)] },
                    `Logged: ${name} comes first`,
                  )
                }
              >
                {name} next
              </Button>
            ))}
          </Box>
        </>
      )}
    </>
  )
}
