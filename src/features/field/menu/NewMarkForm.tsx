'use client'

import { MAX_LETTERS } from '@/core/schema/limits'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { v7 } from 'uuid'
import { direct, inverse, type Place } from '@/core/geo'
import { MEANS_SD, type EntryBody, type Mark, type MarkMeans, type TrialPlan } from '@/core/trial'
import type { Position } from '../position/positionSource'
import { distanceUnit, fromAxis, toAxis, type Units } from '@/core/units'

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
  const base =
    plan.base?.lat != null && plan.base.lon != null ? { lat: plan.base.lat, lon: plan.base.lon } : null
  const near = plan.marks.find((m) => m.id === before)

  const make = (
    distanceM: number,
    bearingDeg: number | null,
    place: Place | null,
    how: MarkMeans = place ? 'coordinates' : 'paces',
  ) => {
    const mark: Mark = {
      id: v7(),
      name: name.trim(),
      legId: near?.legId ?? 'unplanned',
      legName: near?.legName ?? 'Unplanned',
      distanceM,
      how,
      distanceSdM: how === 'coordinates' ? null : distanceM * MEANS_SD[how],
      alongM: null,
      bearingDeg,
      lat: place?.lat ?? null,
      lon: place?.lon ?? null,
    }
    onMark({ kind: 'mark', mark, before })
  }
  const byHand = () => {
    const distanceM = fromAxis(number(distance), units)
    const bearingDeg = bearing.trim() === '' ? null : number(bearing)
    if (name.trim() === '') return setTrouble('Name the mark.')
    if (!(distanceM > 0))
      return setTrouble(`Give its distance from the base in ${distanceUnit(units)}, above 0.`)
    if (bearingDeg !== null && !(bearingDeg >= 0 && bearingDeg <= 360))
      return setTrouble('A bearing goes from 0 to 360 degrees.')
    make(distanceM, bearingDeg, base && bearingDeg !== null ? direct(base, bearingDeg, distanceM) : null)
  }
  const peg = () => {
    const distanceM = fromAxis(number(distance), units)
    if (name.trim() === '') return setTrouble('Name the peg.')
    if (!(distanceM > 0))
      return setTrouble(`Guess its distance in ${distanceUnit(units)}; it is measured later.`)
    make(distanceM, null, null, 'pegged')
  }
  const byPosition = () => {
    if (name.trim() === '') return setTrouble('Name the mark first.')
    if (base && position) {
      const { distanceM, bearingDeg } = inverse(base, position)
      return make(distanceM, bearingDeg, { lat: position.lat, lon: position.lon })
    }
    if (!base) return setTrouble('The base has no coordinates; give the distance instead.')
    if (!navigator.geolocation) return setTrouble('This device gives no position; give the distance instead.')
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        const place = { lat: coords.latitude, lon: coords.longitude }
        const { distanceM, bearingDeg } = inverse(base, place)
        setDistance(toAxis(distanceM, units).toFixed(2))
        make(distanceM, bearingDeg, place)
      },
      () => setTrouble('The device gave no position; give the distance instead.'),
      { enableHighAccuracy: true, timeout: 15_000 },
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
