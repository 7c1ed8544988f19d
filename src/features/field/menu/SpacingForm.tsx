'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { v7 } from 'uuid'
import { marksNow, respace, standingChecks, type EntryBody, type RunLog, type TrialPlan } from '@/core/trial'
import { type Units } from '@/core/units'

interface Props {
  plan: TrialPlan
  log: RunLog
  units: Units
  legId: string | null
  onSpacing: (body: Extract<EntryBody, { kind: 'spacing' }>) => void
}

/** New marks in place of those of a leg that nothing was logged at yet. */
export function SpacingForm({ plan, log, units, legId, onSpacing }: Props) {
  const marks = marksNow(plan, log)
  const legs = [...new Map(marks.map((m) => [m.legId, m.legName]))]
  const [leg, setLeg] = useState(legId ?? legs[0]?.[0] ?? '')
  const [spacing, setSpacing] = useState('')
  const [trouble, setTrouble] = useState<string | null>(null)
  const change = () => {
    const metres = Number(spacing.replace(',', '.')) * (units === 'imperial' ? 0.9144 : 1)
    if (!(metres > 0)) return setTrouble('The spacing must be a number above 0.')
    const used = new Set(standingChecks(log).map((c) => c.markId))
    const onLeg = marks.filter((m) => m.legId === leg)
    const { replaced, marks: made } = respace(plan.base, onLeg, used, metres, () => v7())
    if (replaced.length === 0)
      return setTrouble('Every mark of this leg has something logged; there is nothing left to change.')
    if (made.length === 0)
      return setTrouble('What is left of this leg is shorter than that. Make the spacing smaller.')
    if (made.length > 300)
      return setTrouble(`That makes ${made.length} marks; at most 300 are taken. Make the spacing wider.`)
    onSpacing({ kind: 'spacing', legId: leg, replaced, marks: made })
  }
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <TextField select label="Leg" value={leg} onChange={(e) => setLeg(e.target.value)}>
          {legs.map(([id, name]) => (
            <Option key={id} value={id}>
              {name}
            </Option>
          ))}
        </TextField>
        <TextField
          label={`A mark every (${units === 'imperial' ? 'yd' : 'm'})`}
          value={spacing}
          onChange={(e) => setSpacing(e.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
      </Box>
      {trouble && (
        <Box role="alert" sx={{ color: 'var(--bad)' }}>
          {trouble}
        </Box>
      )}
      <Button variant="outlined" size="large" onClick={change} sx={{ justifySelf: 'start' }}>
        Change the spacing
      </Button>
    </Box>
  )
}
