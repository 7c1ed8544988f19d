'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { useState } from 'react'
import { exposureLimitWm2, keepAway } from '@/core/rf'
import { roundedUpText, type Units } from '@/core/units'
import type { RuleSetRow } from '@/data/ruleSets'
import { FieldGrid } from '@/ui/fields/FieldGrid'
import { Headline } from '@/ui/fields/Headline'
import { NumberBox } from '@/ui/fields/NumberBox'
import { PickOne } from '@/ui/fields/PickOne'
import { CORRECT_FIRST, useNumbers } from '@/ui/fields/useNumbers'

const WHY: Record<string, string> = {
  'below 30 MHz':
    'Below 30 MHz the limits are for the electric and the magnetic field, and the far field does not hold near the antenna: no distance is given here.',
  'at the body':
    'For a radio held or worn it is a matter of absorption: no distance is given, the maker’s tested use applies.',
  'no limit known': 'These rules say nothing of this frequency. Add the limit under Rules.',
}

const FIELDS = {
  power: { label: 'Power at the radio', unit: 'W', bounds: { above: 0 }, help: 'Losses count as none' },
  gain: { label: 'Gain', unit: 'dBi', bounds: { min: -60, max: 60 } },
  frequency: { label: 'Frequency', unit: 'MHz', bounds: { above: 0, max: 300_000 } },
  duty: {
    label: 'Transmits',
    unit: '%',
    bounds: { above: 0, max: 100 },
    help: 'Of the limit’s own 6 or 30 minutes',
  },
}
const START = { power: '25', gain: '5.2', frequency: '155', duty: '100' }
const ORDER = ['power', 'gain', 'frequency', 'duty'] as const

/** The distance that people should keep from an antenna. */
export function KeepAwaySums({ rules, units }: { rules: RuleSetRow[]; units: Units }) {
  const { n, ok, box } = useNumbers(FIELDS, START)
  const [rulesId, setRules] = useState(rules[0]?.id ?? '')
  const [body, setBody] = useState(false)
  const chosen = rules.find((r) => r.id === rulesId)
  const limitWm2 = ok && chosen ? exposureLimitWm2(chosen.body.exposure, n('frequency')) : null
  const away = ok
    ? keepAway({
        powerW: n('power'),
        gainDbi: n('gain'),
        frequencyMHz: n('frequency'),
        duty: n('duty') / 100,
        limitWm2,
        atBody: body,
      })
    : null
  return (
    <>
      <FieldGrid sx={{ mb: 2 }}>
        {ORDER.map((f) => (
          <NumberBox key={f} {...box(f)} />
        ))}
        <PickOne
          label="Limits of"
          value={rulesId}
          options={rules.map((r) => ({ value: r.id, name: r.body.name }))}
          onPick={setRules}
        />
        <FormControlLabel
          control={<Checkbox checked={body} onChange={(e) => setBody(e.target.checked)} />}
          label="Held or worn"
        />
      </FieldGrid>
      <Box role="status">
        {away?.given && (
          <>
            <Headline title="People keep away by at least">{roundedUpText(away.distanceM, units)}</Headline>
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
        {!away && CORRECT_FIRST}
      </Box>
    </>
  )
}
