'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useState } from 'react'
import { declinationAt } from '@/core/bench/fix/compass'
import { WAYS_TO_TAKE, type TakenBearing } from '@/core/bench/fix/taken'
import { figureText } from '@/core/units'
import { MAX_LETTERS } from '@/core/schema/limits'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { PickOne } from '@/ui/fields/PickOne'
import { Quiet } from '@/ui/shell/Quiet'
import { FINDER_SD_DEG } from '@/core/sim/bench/simulatedFinder'
import { StandFields, type StandText } from './StandFields'
import type { Bearings } from './useBearings'

interface Props {
  bearings: Bearings
  /** Where one stands, typed or clicked on the map. */
  stand: StandText
  onStand: (stand: StandText) => void
}

/** A bearing as it is taken: where one stands, how it was read, and how far it may be off. */
export function BearingForm({ bearings, stand, onStand }: Props) {
  const [name, setName] = useState('')
  const [read, setRead] = useState('')
  const [compass, setCompass] = useState(true)
  const [way, setWay] = useState<TakenBearing['way']>('peak')
  const [spread, setSpread] = useState<string | null>(null)
  const [lat, lon, bearing] = [numberIn(stand.lat), numberIn(stand.lon), numberIn(read)]
  const usual = WAYS_TO_TAKE.find((w) => w.id === way)!
  const sd = spread ?? String(usual.usualDeg)
  const sdDeg = numberIn(sd)
  const placed = lat !== null && lon !== null && Math.abs(lat) <= 90 && Math.abs(lon) <= 180
  const bearingOk = bearing !== null && bearing >= 0 && bearing <= 360
  const ok = placed && bearingOk && sdDeg !== null && sdDeg > 0 && sdDeg <= 90
  const called = name.trim() || `Stand ${bearings.list.length + 1}`
  const log = (bearingDeg: number, more: Partial<TakenBearing> = {}) => {
    if (!placed) return
    bearings.add({
      name: called,
      lat,
      lon,
      bearingDeg,
      compass,
      way,
      sdDeg: sdDeg ?? usual.usualDeg,
      ...more,
    })
    setName('')
    setRead('')
  }
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault()
        if (ok) log(bearing)
      }}
      sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}
    >
      <TextField
        label="Name"
        placeholder={called}
        value={name}
        onChange={(e) => setName(e.target.value)}
        slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name }, inputLabel: { shrink: true } }}
        sx={{ gridColumn: '1 / -1' }}
      />
      <StandFields stand={stand} onStand={onStand} />
      <PickOne<TakenBearing['way']>
        label="Read at its"
        value={way}
        options={WAYS_TO_TAKE.map((w) => ({ value: w.id, name: w.name }))}
        onPick={(w) => {
          setWay(w)
          setSpread(null)
        }}
        sx={{ gridColumn: '1 / -1' }}
        helperText={usual.why}
      />
      <ToggleButtonGroup
        exclusive
        fullWidth
        size="small"
        value={compass}
        onChange={(_, v: boolean | null) => v !== null && setCompass(v)}
        aria-label="Compass or true"
        sx={{ gridColumn: '1 / -1' }}
      >
        <ToggleButton value={true}>By compass</ToggleButton>
        <ToggleButton value={false}>True</ToggleButton>
      </ToggleButtonGroup>
      <NumberBox
        label="Bearing"
        unit="°"
        value={read}
        problem={read === '' || bearingOk ? null : '0 to 360 degrees'}
        onChange={setRead}
        autoComplete="off"
      />
      <NumberBox
        label="Usually off by"
        unit="°"
        value={sd}
        problem={numberProblem(sd, { above: 0, max: 90 }, '°')}
        onChange={setSpread}
      />
      {placed && compass && <Declination lat={lat} lon={lon} day={bearings.day} />}
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained" disabled={!ok}>
          Log it
        </Button>
        <Button
          variant="outlined"
          disabled={!placed}
          onClick={() =>
            placed && log(bearings.read({ lat, lon }), { compass: false, way: 'peak', sdDeg: FINDER_SD_DEG })
          }
        >
          Read the simulated finder
        </Button>
      </Box>
    </Box>
  )
}

/** How far the compass is off here. */
function Declination({ lat, lon, day }: { lat: number; lon: number; day: string }) {
  const d = declinationAt({ lat, lon }, new Date(`${day}T12:00:00Z`))
  return (
    <Quiet small sx={{ gridColumn: '1 / -1' }}>
      A compass points {figureText(Math.abs(d.deg))}° {d.deg < 0 ? 'west' : 'east'} of true north here (
      {d.model}, {d.year}); it is taken out.
    </Quiet>
  )
}
