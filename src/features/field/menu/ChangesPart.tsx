'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Attenuates } from '@/core/kit'
import { ENDS_SWAPPED, marksNow } from '@/core/trial'
import { AddRigForm } from './AddRigForm'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { Choice } from './Part'
import type { MenuProps } from './shared'

const WEAKENS: { value: Attenuates; words: string }[] = [
  { value: 'both ways', words: 'Both ways' },
  { value: 'transmit', words: 'What is sent out there' },
  { value: 'receive', words: 'What is heard out there' },
]
const weakensWords = (weakens: Attenuates) =>
  weakens === 'both ways' ? 'both ways' : weakens === 'transmit' ? 'to base only' : 'from base only'

/** An attenuator in the path; which way it weakens is asked the first time, and holds for the run. */
function AttenuatorPart({ handle, actions }: Pick<MenuProps, 'handle' | 'actions'>) {
  const { log } = handle
  const asked = log.events.some(
    ({ body }) => body.kind === 'change' && body.what === 'attenuator' && body.weakens !== undefined,
  )
  const [db, setDb] = useState('')
  const [chosen, setWeakens] = useState<Attenuates | null>(null)
  const bad = db === '' ? null : numberProblem(db, { min: 0, max: 120 }, 'dB')
  const weakens = chosen ?? (asked ? log.weakens : null)
  return (
    <>
      <Typography variant="h3" component="h3">
        Attenuator
      </Typography>
      <Box>
        {log.attenuationDb > 0
          ? `${log.attenuationDb} dB is in for all rigs, ${weakensWords(log.weakens)}.`
          : 'None is in.'}{' '}
        It must be rated for the full power.
      </Box>
      <Box>Which way does it weaken? Between radio and antenna it is both.</Box>
      <Choice label="Which way it weakens" value={weakens} options={WEAKENS} onChange={setWeakens} />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <NumberBox label="Attenuation" unit="dB" value={db} problem={bad} onChange={setDb} sx={{ flex: 1 }} />
        <Button
          variant="outlined"
          disabled={db === '' || bad !== null || weakens === null}
          onClick={() =>
            void actions
              .addEvent(
                {
                  kind: 'change',
                  what: 'attenuator',
                  linkId: null,
                  db: numberIn(db),
                  weakens: weakens ?? 'both ways',
                  text: '',
                },
                numberIn(db) === 0
                  ? 'Logged: attenuator out'
                  : `Logged: ${numberIn(db)} dB in, ${weakensWords(weakens ?? 'both ways')}`,
              )
              .then(() => setDb(''))
          }
        >
          It is in now
        </Button>
      </Box>
      {weakens === null && db !== '' && <Box role="note">Say which way it weakens first.</Box>}
    </>
  )
}

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
  const [text, setText] = useState('')
  const [linkId, setLink] = useState(now?.linkId ?? links[0]!.id)
  const link = links.find((l) => l.id === linkId)!
  const out = log.linksOut.includes(linkId)
  const legs = [...new Map(marksNow(pack.plan, log).map((m) => [m.legId, m.legName]))]
  return (
    <>
      <AttenuatorPart handle={handle} actions={actions} />
      <Typography variant="h3" component="h3">
        A rig
      </Typography>
      <TextField select label="Rig" value={linkId} onChange={(e) => setLink(e.target.value)}>
        {links.map((l) => (
          <Option key={l.id} value={l.id}>
            {l.letter} {l.name}
            {log.linksOut.includes(l.id) && ', taken out'}
          </Option>
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
