'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import type { Carried } from '@/core/trial'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { Choice } from './Part'
import type { MenuProps } from './shared'

/** What a data link carried, with all that bounds it besides the radio. */
export function CarriedPart({ pack, handle, actions, now }: MenuProps) {
  const last = handle.log.events.flatMap((e) => (e.body.kind === 'carried' ? [e.body] : [])).at(-1)
  const [what, setWhat] = useState<Carried['what']>(last?.what ?? 'throughput')
  const [value, setValue] = useState('')
  const [server, setServer] = useState(last?.server ?? '')
  const [path, setPath] = useState(last?.path ?? '')
  const [cap, setCap] = useState(last?.cap ? String(last.cap) : '')
  if (!now) return <Box>There is no check to log it with.</Box>
  const unit = what === 'throughput' ? 'Mbit/s' : 'ms'
  const link = pack.plan.links.find((l) => l.id === now.linkId)!
  const badValue = value === '' ? null : numberProblem(value, { min: 0, max: 1e6 }, unit)
  const badCap = cap === '' ? null : numberProblem(cap, { min: 0.001, max: 1e6 }, unit)
  const missing = value === '' || server.trim() === '' || badValue !== null || badCap !== null
  const save = () =>
    void actions
      .addEvent(
        {
          kind: 'carried',
          markId: now.markId,
          linkId: now.linkId,
          direction: now.direction,
          what,
          value: numberIn(value)!,
          server: server.trim(),
          path: path.trim(),
          cap: cap === '' ? null : numberIn(cap),
        },
        `Logged: ${value} ${unit} with ${link.name}`,
      )
      .then(() => setValue(''))
  return (
    <>
      <Box>
        {link.name} {now.direction} at {now.mark.name}
      </Box>
      <Choice
        label="What was measured"
        value={what}
        options={[
          { value: 'throughput', words: 'Throughput' },
          { value: 'delay', words: 'Delay' },
        ]}
        onChange={setWhat}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <NumberBox label="Measured" unit={unit} value={value} problem={badValue} onChange={setValue} />
        <NumberBox label="Known cap, if any" unit={unit} value={cap} problem={badCap} onChange={setCap} />
        <TextField
          label="Server"
          value={server}
          onChange={(e) => setServer(e.target.value)}
          placeholder="own server at the base"
        />
        <TextField
          label="Path between"
          value={path}
          onChange={(e) => setPath(e.target.value)}
          placeholder="by the relay, then cable"
        />
      </Box>
      <Box>
        <Button variant="outlined" size="large" disabled={missing} onClick={save}>
          Log it
        </Button>
      </Box>
    </>
  )
}
