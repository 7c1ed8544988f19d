'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import type { Link } from '@/core/kit'
import { distanceUnit, fromShown, toShown, type Units } from '@/core/units'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import type { Settings } from '../frame/ruleParams'
import { useSettings } from '../frame/useSettings'

interface Props {
  links: readonly Pick<Link, 'id' | 'letter' | 'name'>[]
  runId: string
  settings: Settings
  units: Units
}

/** The reach that a maker or anybody else claims for each link. */
export function ClaimsForm({ links, runId, settings, units }: Props) {
  const { turn } = useSettings(settings, runId)
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
  return (
    <Box
      component="form"
      className="no-print"
      sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 1 }}
      onSubmit={(e) => {
        e.preventDefault()
        if (wrong) return
        turn({
          claims: Object.fromEntries(
            Object.entries(typed).flatMap(([id, t]) => {
              const v = numberIn(t)
              return v === null ? [] : [[id, Math.round(fromShown(v, 'km', units) * 1000)]]
            }),
          ),
        })
      }}
    >
      {links.map((l) => (
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
  )
}
