'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { claimWords, type Findings } from '@/core/findings'
import type { TrialPlan } from '@/core/trial'
import { distanceUnit, fromShown, toShown, type Units } from '@/core/units'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import type { Settings } from './ruleParams'

interface Props {
  plan: TrialPlan
  findings: Findings
  settings: Settings
  units: Units
  onClaims: (claims: Settings['claims']) => void
}

/** What a maker or anybody else says that a link reaches, held against what was found. */
export function ClaimsSection({ plan, findings, settings, units, onClaims }: Props) {
  const unit = distanceUnit(units)
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      Object.entries(settings.claims).map(([id, m]) => [
        id,
        String(Number(toShown(m / 1000, 'km', units).toFixed(3))),
      ]),
    ),
  )
  const problem = (t: string) => (t.trim() === '' ? null : numberProblem(t, { above: 0, max: 2000 }, unit))
  const wrong = Object.values(typed).some((t) => problem(t) !== null)
  const claimed = plan.links.filter((l) => settings.claims[l.id] !== undefined)
  return (
    <Box
      component="section"
      aria-label="Claims and facts"
      sx={{ mt: 4 }}
      className={claimed.length === 0 ? 'no-print' : ''}
    >
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Claims and facts
      </Typography>
      <Box
        component="form"
        className="no-print"
        sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 1 }}
        onSubmit={(e) => {
          e.preventDefault()
          if (wrong) return
          onClaims(
            Object.fromEntries(
              Object.entries(typed).flatMap(([id, t]) => {
                const v = numberIn(t)
                return v === null ? [] : [[id, Math.round(fromShown(v, 'km', units) * 1000)]]
              }),
            ),
          )
        }}
      >
        {plan.links.map((l) => (
          <NumberBox
            key={l.id}
            label={`Claimed for ${l.name.length > 22 ? l.letter : l.name}`}
            unit={unit}
            value={typed[l.id] ?? ''}
            problem={problem(typed[l.id] ?? '')}
            onChange={(t) => setTyped({ ...typed, [l.id]: t })}
            sx={{ width: 260, maxWidth: '100%' }}
          />
        ))}
        <Button type="submit" variant="outlined" disabled={wrong}>
          Hold it against the log
        </Button>
      </Box>
      {claimed.length === 0 ? (
        <p style={{ margin: 0 }}>Type the reach that a maker or anybody else claims for a rig.</p>
      ) : (
        <ul style={{ margin: 0, paddingLeft: 20 }}>
          {claimed.map((l) => (
            <li key={l.id}>
              {claimWords(
                l.name,
                settings.claims[l.id]!,
                findings.usable.filter((u) => u.linkId === l.id),
                settings.reliability,
                units,
              )}
            </li>
          ))}
        </ul>
      )}
    </Box>
  )
}
