'use client'

import Box from '@mui/material/Box'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { aimAt, compassOf, declinationAt, sunAt } from '@/core/bench/fix/compass'
import { bearingText, offDeg } from '@/core/geo'
import { distanceText, figureText, fromShown, shownUnit, signedText, type Units } from '@/core/units'
import { FieldGrid } from '@/ui/fields/FieldGrid'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { Quiet } from '@/ui/shell/Quiet'

const FIELDS = [
  ['lat', 'From, latitude', '°', 90],
  ['lon', 'From, longitude', '°', 180],
  ['high', 'its height', 'm', 20000],
  ['toLat', 'To, latitude', '°', 90],
  ['toLon', 'To, longitude', '°', 180],
  ['toHigh', 'its height', 'm', 20000],
] as const
type Key = (typeof FIELDS)[number][0]

/** How to point an antenna at a mast, by compass, by true north and by the sun. */
export function AimSums({ units }: { units: Units }) {
  const [text, setText] = useState<Record<Key, string>>({
    lat: '',
    lon: '',
    high: '0',
    toLat: '',
    toLon: '',
    toHigh: '0',
  })
  const [time, setTime] = useState('')
  const v = (k: Key) => numberIn(text[k])
  const [lat, lon, toLat, toLon] = [v('lat'), v('lon'), v('toLat'), v('toLon')]
  const ok = FIELDS.every(([key, , , most]) => {
    const n = v(key)
    return n !== null && Math.abs(n) <= most
  })
  const when = time === '' ? new Date() : new Date(time)
  const from = { lat: lat ?? 0, lon: lon ?? 0 }
  const aim = ok
    ? aimAt(
        from,
        fromShown(v('high') ?? 0, 'm', units),
        { lat: toLat ?? 0, lon: toLon ?? 0 },
        fromShown(v('toHigh') ?? 0, 'm', units),
      )
    : null
  const declination = ok ? declinationAt(from, when) : null
  const sun = ok ? sunAt(from, when) : null
  return (
    <Box component="section" sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
        Aim at a mast
      </Typography>
      <FieldGrid>
        {FIELDS.map(([key, label, unit, most]) => (
          <NumberBox
            key={key}
            label={label}
            unit={shownUnit(unit, units)}
            value={text[key]}
            problem={text[key] === '' ? null : numberProblem(text[key], { min: -most, max: most }, unit)}
            onChange={(t) => setText((old) => ({ ...old, [key]: t }))}
          />
        ))}
      </FieldGrid>
      {aim && declination && sun && (
        <Box role="status" sx={{ mt: 1.5 }}>
          <Box sx={{ fontSize: '1.35rem', fontWeight: 700 }}>
            {bearingText(compassOf(aim.bearingDeg, declination.deg))} by compass (
            {bearingText(aim.bearingDeg)} true), tilt {signedText(aim.tiltDeg, 2)}°,{' '}
            {distanceText(aim.distanceM, units)} away.
          </Box>
          <Quiet>
            Heights are those of the antennas above the sea. The compass is{' '}
            {figureText(Math.abs(declination.deg))}° {declination.deg < 0 ? 'west' : 'east'} of true here (
            {declination.model}, {declination.year}).
          </Quiet>
          <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 1, flexWrap: 'wrap' }}>
            <span>
              {sun.altitudeDeg > 0
                ? `The sun stands at ${bearingText(sun.azimuthDeg)} true, ${figureText(sun.altitudeDeg, 0)}° high: the mast lies ${turnedText(aim.bearingDeg - sun.azimuthDeg)} of it.`
                : 'The sun is below the horizon then.'}
            </span>
            <TextField
              type="datetime-local"
              label={time === '' ? 'At (now)' : 'At'}
              size="small"
              value={time}
              onChange={(e) => setTime(e.target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          </Box>
        </Box>
      )}
    </Box>
  )
}

const turnedText = (deg: number) => {
  const off = offDeg(deg)
  return `${figureText(Math.abs(off), 0)}° ${off < 0 ? 'left' : 'right'}`
}
