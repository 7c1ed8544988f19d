'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { inverse, placeOfLocator } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import { MAX_LETTERS } from '@/core/schema/limits'
import { COMPARISONS, placeOfBase, type Comparison, type LoggedEvent } from '@/core/trial'
import { distanceUnit, readDistance, type Units } from '@/core/units'
import { Choice, heading } from './Part'
import type { MenuProps } from './shared'

type Station = Extract<LoggedEvent['body'], { kind: 'station' }>
const NONE = ''

/** A rig among those compared, or none. */
function PickLink({
  label,
  value,
  links,
  none,
  onChange,
}: {
  label: string
  value: string
  links: readonly Link[]
  none: string
  onChange: (id: string) => void
}) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
    >
      <Option value={NONE}>{none}</Option>
      {links.map((l) => (
        <Option key={l.id} value={l.id}>
          {l.letter} {l.name}
        </Option>
      ))}
    </TextField>
  )
}

/** How far off a station was, told once somebody knows. */
function DistanceLater({
  station,
  units,
  onSay,
}: {
  station: Station
  units: Units
  onSay: (distanceM: number) => void
}) {
  const [text, setText] = useState('')
  const [problem, setProblem] = useState('')
  return (
    <Box
      component="form"
      role="group"
      aria-label={`Distance of ${station.name}`}
      onSubmit={(e) => {
        e.preventDefault()
        const distanceM = readDistance(text, distanceUnit(units))
        if (distanceM === null) return setProblem('A distance, such as 12 km or 7.5 mi.')
        onSay(distanceM)
      }}
      sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}
    >
      <TextField
        label={`How far off was ${station.name}?`}
        value={text}
        onChange={(e) => setText(e.target.value)}
        error={problem !== ''}
        helperText={problem}
        placeholder={`in ${distanceUnit(units)}, or as typed: 12 km`}
        sx={{ flex: 1 }}
      />
      <Button type="submit" variant="outlined">
        Note it
      </Button>
    </Box>
  )
}

/** A locator as a place tells how far off it is, within the size of its square. */
function byLocator(pack: MenuProps['pack'], place: string): number | null {
  const base = placeOfBase(pack.plan.base)
  const found = placeOfLocator(place)
  return base && found && place.trim().length >= 4 ? inverse(base, found.place).distanceM : null
}

const EMPTY = { name: '', place: '', text: '', distance: '' }

/** Somebody joins in, with what they say of themselves and of what they hear. */
export function StationForm({ pack, handle, actions, now, settings, units, onClose }: MenuProps) {
  const { links } = pack.plan
  const [typed, setTyped] = useState(EMPTY)
  const set = (change: Partial<typeof EMPTY>) => setTyped((old) => ({ ...old, ...change }))
  const [moving, setMoving] = useState<boolean | null>(null)
  // The station is at the other end than this device, whichever that is.
  const [heardUs, heardThem]: Direction[] =
    settings.role === 'base' ? ['from base', 'to base'] : ['to base', 'from base']
  const [direction, setDirection] = useState<Direction>(heardUs!)
  const [linkId, setLink] = useState(now?.linkId ?? (links.length === 1 ? links[0]!.id : NONE))
  const [other, setOther] = useState(NONE)
  const [said, setSaid] = useState<Comparison | null>(null)
  const [problem, setProblem] = useState<Partial<typeof EMPTY>>({})
  const later = handle.log.events.flatMap((e) =>
    e.body.kind === 'station' && e.body.distanceM == null ? [{ id: e.id, body: e.body }] : [],
  )
  const save = () => {
    const name = typed.name.trim()
    const distanceM = typed.distance.trim() === '' ? null : readDistance(typed.distance, distanceUnit(units))
    if (name === '') return setProblem({ name: 'Say who it was, in their own words.' })
    if (typed.distance.trim() !== '' && distanceM === null)
      return setProblem({ distance: 'A distance, such as 12 km or 7.5 mi; empty for later.' })
    void actions
      .addEvent(
        {
          kind: 'station',
          name,
          place: typed.place.trim(),
          direction,
          linkId: linkId === NONE ? null : linkId,
          text: typed.text.trim(),
          ...(moving === null ? {} : { moving }),
          distanceM: distanceM ?? byLocator(pack, typed.place),
          against: linkId !== NONE && other !== NONE && said ? { linkId: other, said } : null,
        },
        `Logged: ${name} joined in`,
      )
      .then(onClose)
  }
  const field = (key: keyof typeof EMPTY, label: string, placeholder: string, helperText?: string) => (
    <TextField
      label={label}
      value={typed[key]}
      onChange={(e) => set({ [key]: e.target.value })}
      error={problem[key] !== undefined}
      helperText={problem[key] ?? helperText}
      placeholder={placeholder}
      slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name } }}
    />
  )
  return (
    <>
      {heading('Another station joined in')}
      {field('name', 'Who', 'a call sign or a name')}
      {field('place', 'Where, as they say', 'a town, a grid locator')}
      <Choice
        label="Does it move?"
        value={moving === null ? null : moving ? 'moving' : 'fixed'}
        options={[
          { value: 'fixed', words: 'It stays' },
          { value: 'moving', words: 'On the move' },
        ]}
        onChange={(v) => setMoving(v === 'moving')}
      />
      {field('distance', 'How far off', 'empty: later', 'A locator under Where tells it by itself')}
      <Choice
        label="Who reports"
        value={direction}
        options={[
          { value: heardUs!, words: 'They heard us' },
          { value: heardThem!, words: 'We heard them' },
        ]}
        onChange={setDirection}
      />
      <PickLink label="Which rig" value={linkId} links={links} none="nobody knows" onChange={setLink} />
      {field('text', 'Report', '5 by 7')}
      {linkId !== NONE && links.length > 1 && (
        <>
          <PickLink
            label="Switched over from"
            value={other}
            links={links.filter((l) => l.id !== linkId)}
            none="no other rig"
            onChange={setOther}
          />
          {other !== NONE && (
            <Choice
              label={`Against it, ${links.find((l) => l.id === linkId)!.name} was`}
              value={said}
              options={COMPARISONS.map((c) => ({ value: c, words: c }))}
              onChange={setSaid}
            />
          )}
        </>
      )}
      <Box>
        <Button variant="outlined" size="large" onClick={save}>
          Log this station
        </Button>
      </Box>
      {later.map(({ id, body }) => (
        <DistanceLater
          key={id}
          station={body}
          units={units}
          onSay={(distanceM) => void handle.add({ ...body, distanceM }, id)}
        />
      ))}
    </>
  )
}
