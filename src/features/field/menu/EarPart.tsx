'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { COMPARISONS, earStatesOf, type Comparison } from '@/core/trial'
import { distanceText } from '@/core/units'
import { baseFrom } from '../position/guide'
import { Choice, heading } from './Part'
import { fixOf } from '../position/positionSource'
import type { MenuProps } from './shared'
import { StationForm } from './StationForm'

/** A quick switch between two links, and what the listener says of the second. */
function CompareForm({ pack, actions, now, onClose }: MenuProps) {
  const { links } = pack.plan
  const [first, setFirst] = useState(now?.linkId ?? links[0]!.id)
  const [second, setSecond] = useState(links.find((l) => l.id !== first)?.id ?? '')
  const [text, setText] = useState('')
  if (links.length < 2 || !now) return null
  const name = (id: string) => links.find((l) => l.id === id)!.name
  const say = (said: Comparison) =>
    void actions
      .addEvent(
        {
          kind: 'compare',
          markId: now.markId,
          direction: now.direction,
          links: [first, second],
          said,
          text: text.trim(),
        },
        `Logged: ${name(second)} against ${name(first)}, ${said}`,
      )
      .then(onClose)
  const pick = (label: string, value: string, set: (id: string) => void, but: string) => (
    <TextField
      select
      label={label}
      value={value}
      onChange={(e) => set(e.target.value)}
      sx={{ flex: 1, minWidth: 0 }}
    >
      {links
        .filter((l) => l.id !== but)
        .map((l) => (
          <Option key={l.id} value={l.id}>
            {l.letter} {l.name}
          </Option>
        ))}
    </TextField>
  )
  return (
    <>
      {heading(`Switched at once at ${now.mark.name}, ${now.direction}`)}
      <Box sx={{ display: 'flex', gap: 1 }}>
        {pick('From', first, setFirst, second)}
        {pick('to', second, setSecond, first)}
      </Box>
      <TextField
        label="As it was said"
        value={text}
        onChange={(e) => setText(e.target.value)}
        placeholder="a little less noise"
      />
      <Choice
        label="The second is"
        value={null}
        options={COMPARISONS.map((c) => ({ value: c, words: c }))}
        onChange={say}
      />
    </>
  )
}

const EDGES = [
  { value: 'last heard', words: 'Last heard here' },
  { value: 'first lost', words: 'First lost here' },
  { value: 'heard again', words: 'Heard again here' },
] as const

/** Walking on until it is lost: where it was last heard, first lost, heard again. */
function EdgeForm({ pack, actions, now, position, units, onClose }: MenuProps) {
  if (!now) return null
  const at = baseFrom(pack.plan.base, position, now.mark)
  const link = pack.plan.links.find((l) => l.id === now.linkId)!
  return (
    <>
      {heading('Walked to the edge')}
      <Box sx={{ color: 'var(--soft)' }}>
        {link.name} {now.direction}, {at ? distanceText(at.distanceM, units) : 'somewhere'} from the base
        {position ? '' : ` (at ${now.mark.name}; there is no position)`}
      </Box>
      <Choice
        label="What happened"
        value={null}
        options={EDGES}
        onChange={(what) =>
          void actions
            .addEvent(
              {
                kind: 'edge',
                legId: now.mark.legId,
                linkId: now.linkId,
                direction: now.direction,
                what,
                distanceM: at?.distanceM ?? now.mark.distanceM,
                fix: fixOf(position),
              },
              `Logged: ${link.name} ${what} at ${distanceText(at?.distanceM ?? now.mark.distanceM, units)}`,
            )
            .then(onClose)
        }
      />
    </>
  )
}

/** Changes of state by ear on the way; those marked without looking are named here. */
function StateForm({ pack, handle, actions, now, position, sound }: MenuProps) {
  const states = earStatesOf(pack.plan).map((s) => ({ value: s.name, words: s.name }))
  const unnamed = handle.log.events.filter((e) => e.body.kind === 'state' && e.body.state === null)
  const link = now && pack.plan.links.find((l) => l.id === now.linkId)
  const [way, setWay] = useState<'out' | 'home'>('out')
  const at = baseFrom(pack.plan.base, position, null)
  return (
    <>
      {heading('By ear on the way')}
      <Box>
        <Button
          variant="outlined"
          size="large"
          disabled={sound.recording?.kind === 'clip'}
          onClick={() => void (sound.recording ? sound.stop() : sound.start('way'))}
        >
          {sound.recording?.kind === 'way' ? 'Stop recording the sound' : 'Record the sound of the way'}
        </Button>
        {sound.trouble && (
          <Box role="alert" sx={{ color: 'var(--bad)' }}>
            {sound.trouble}
          </Box>
        )}
      </Box>
      {unnamed.map((e) => (
        <Box key={e.id} role="group" aria-label={`Marked at ${e.time.slice(11, 16)}`}>
          Marked without looking at{' '}
          {new Date(e.time).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}: what was it?
          <Choice
            label="What it was"
            value={null}
            options={states}
            onChange={(state) => e.body.kind === 'state' && void handle.add({ ...e.body, state }, e.id)}
          />
        </Box>
      ))}
      {link && (
        <>
          <Choice
            label="Way"
            value={way}
            options={[
              { value: 'out', words: 'On the way out' },
              { value: 'home', words: 'On the way home' },
            ]}
            onChange={setWay}
          />
          <Choice
            label={`${link.name} is now`}
            value={null}
            options={states}
            onChange={(state) =>
              void actions.addEvent(
                {
                  kind: 'state',
                  linkId: link.id,
                  way,
                  state,
                  distanceM: at?.distanceM ?? null,
                  fix: fixOf(position),
                },
                `Logged: ${link.name} ${state}, ${way}`,
              )
            }
          />
        </>
      )}
    </>
  )
}

/** What is heard beside the planned checks. */
export function EarPart(props: MenuProps) {
  return (
    <>
      <CompareForm {...props} />
      <EdgeForm {...props} />
      <StateForm {...props} />
      <StationForm {...props} />
    </>
  )
}
