'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { exposureLimitWm2, keepAway } from '@/core/rf'
import { roundedUpText, type Units } from '@/core/units'
import type { RuleSetRow } from '@/data/ruleSets'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'

const WHY: Record<string, string> = {
  'below 30 MHz':
    'Below 30 MHz the limits are for the electric and the magnetic field, and the far field does not hold near the antenna: no distance is given here.',
  'at the body':
    'For a radio held or worn it is a matter of absorption: no distance is given, the maker’s tested use applies.',
  'no limit known': 'These rules say nothing of this frequency. Add the limit under Rules.',
}

/** The distance that people should keep from an antenna. */
export function KeepAwaySums({ rules, units }: { rules: RuleSetRow[]; units: Units }) {
  const [power, setPower] = useState('25')
  const [gain, setGain] = useState('5.2')
  const [frequency, setFrequency] = useState('155')
  const [duty, setDuty] = useState('100')
  const [rulesId, setRules] = useState(rules[0]?.id ?? '')
  const [body, setBody] = useState(false)
  const problems = {
    power: numberProblem(power, { above: 0 }, 'W'),
    gain: numberProblem(gain, { min: -60, max: 60 }, 'dBi'),
    frequency: numberProblem(frequency, { above: 0, max: 300_000 }, 'MHz'),
    duty: numberProblem(duty, { above: 0, max: 100 }, '%'),
  }
  const chosen = rules.find((r) => r.id === rulesId)
  const ok = Object.values(problems).every((p) => p === null)
  const limitWm2 = ok && chosen ? exposureLimitWm2(chosen.body.exposure, numberIn(frequency)!) : null
  const away = ok
    ? keepAway({
        powerW: numberIn(power)!,
        gainDbi: numberIn(gain)!,
        frequencyMHz: numberIn(frequency)!,
        duty: numberIn(duty)! / 100,
        limitWm2,
        atBody: body,
      })
    : null
  return (
    <>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))',
          mb: 2,
          alignItems: 'start',
        }}
      >
        <NumberBox
          label="Power at the radio"
          unit="W"
          value={power}
          problem={problems.power}
          onChange={setPower}
          helperText="Losses count as none"
        />
        <NumberBox label="Gain" unit="dBi" value={gain} problem={problems.gain} onChange={setGain} />
        <NumberBox
          label="Frequency"
          unit="MHz"
          value={frequency}
          problem={problems.frequency}
          onChange={setFrequency}
        />
        <NumberBox
          label="Transmits"
          unit="%"
          value={duty}
          problem={problems.duty}
          onChange={setDuty}
          helperText="Of the limit’s own 6 or 30 minutes"
        />
        <TextField select label="Limits of" value={rulesId} onChange={(e) => setRules(e.target.value)}>
          {rules.map((r) => (
            <MenuItem key={r.id} value={r.id}>
              {r.body.name}
            </MenuItem>
          ))}
        </TextField>
        <FormControlLabel
          control={<Checkbox checked={body} onChange={(e) => setBody(e.target.checked)} />}
          label="Held or worn"
        />
      </Box>
      <Box role="status">
        {away?.given && (
          <>
            <Box sx={{ color: 'var(--soft)' }}>People keep away by at least</Box>
            <Box sx={{ fontSize: '2.4rem', fontWeight: 700, lineHeight: 1.1 }}>
              {roundedUpText(away.distanceM, units)}
            </Box>
            <Box sx={{ maxWidth: 780, mt: 0.5 }}>
              Decided by {away.heldBy}. √(EIRP · 4 · duty / (4π S)) with S ={' '}
              {Number(limitWm2!.toPrecision(3))} W/m², fully reflected, never less than λ/2π, rounded up. The
              local limit rules; keep people out of reach of the antenna itself in any case.
            </Box>
          </>
        )}
        {away && !away.given && (
          <Box sx={{ borderLeft: '6px solid var(--accent-fill)', pl: 1.5, maxWidth: 780 }}>
            {WHY[away.why]}
          </Box>
        )}
        {!away && 'Mend the fields marked, and the answer comes back.'}
      </Box>
    </>
  )
}
