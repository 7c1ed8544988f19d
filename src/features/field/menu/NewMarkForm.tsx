'use client'

import { MAX_LETTERS } from '@/core/schema/limits'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { placeOfBase, type EntryBody, type Mark, type TrialPlan } from '@/core/trial'
import { herePlace } from '@/ui/fields/herePlace'
import { markAt, markBy } from '../position/newMark'
import type { Position } from '../position/positionSource'
import { distanceUnit, readDistance, toAxis, type Units } from '@/core/units'

type MarkBody = Extract<EntryBody, { kind: 'mark' }>

interface Props {
  plan: TrialPlan
  units: Units
  before: string | null
  position: Position | null
  onMark: (body: MarkBody) => void
}

const number = (text: string) => (text.trim() === '' ? NaN : Number(text.replace(',', '.')))

/** A mark made out there: by distance and bearing, or where the device says it is. */
export function NewMarkForm({ plan, units, before, position, onMark }: Props) {
  const [name, setName] = useState('')
  const [distance, setDistance] = useState('')
  const [bearing, setBearing] = useState('')
  const [trouble, setTrouble] = useState<string | null>(null)
  const base = placeOfBase(plan.base)
  const example = units === 'imperial' ? '0.3 mi or 500 ft' : '0.4 km or 400 m'
  const near = plan.marks.find((m) => m.id === before)

  const leg = { id: near?.legId ?? 'unplanned', name: near?.legName ?? 'Unplanned' }
  const make = (mark: Mark) => onMark({ kind: 'mark', mark, before })
  const byHand = () => {
    const distanceM = readDistance(distance, distanceUnit(units))
    const bearingDeg = bearing.trim() === '' ? null : number(bearing)
    if (name.trim() === '') return setTrouble('Name the mark.')
    if (distanceM === null) return setTrouble(`Give its distance from the base, such as ${example}.`)
    if (bearingDeg !== null && !(bearingDeg >= 0 && bearingDeg <= 360))
      return setTrouble('A bearing goes from 0 to 360 degrees.')
    make(markBy(name, leg, base, distanceM, bearingDeg, 'paces'))
  }
  const peg = () => {
    const distanceM = readDistance(distance, distanceUnit(units))
    if (name.trim() === '') return setTrouble('Name the peg.')
    if (distanceM === null) return setTrouble(`Guess its distance, such as ${example}; it is measured later.`)
    make(markBy(name, leg, base, distanceM, null, 'pegged'))
  }
  const byPosition = () => {
    if (name.trim() === '') return setTrouble('Name the mark first.')
    if (base && position) return make(markAt(name, leg, base, position))
    if (!base) return setTrouble('The base has no coordinates; give the distance instead.')
    if (!navigator.geolocation) return setTrouble('This device gives no position; give the distance instead.')
    herePlace().then(
      (place) => {
        const mark = markAt(name, leg, base, place)
        setDistance(toAxis(mark.distanceM, units).toFixed(2))
        make(mark)
      },
      () => setTrouble('The device gave no position; give the distance instead.'),
    )
  }
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <TextField
        label="Name of the mark"
        value={name}
        onChange={(e) => setName(e.target.value)}
        slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name } }}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <TextField
          label={`Distance (${distanceUnit(units)})`}
          value={distance}
          onChange={(e) => setDistance(e.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <TextField
          label="Bearing from base (°)"
          value={bearing}
          onChange={(e) => setBearing(e.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
      </Box>
      {trouble && (
        <Box role="alert" sx={{ color: 'var(--bad)' }}>
          {trouble}
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" size="large" onClick={byHand}>
          Add this mark
        </Button>
        <Button size="large" onClick={byPosition}>
          Add it where I stand
        </Button>
        <Button size="large" onClick={peg}>
          Peg it: the distance is a guess, measured later
        </Button>
      </Box>
    </Box>
  )
}
