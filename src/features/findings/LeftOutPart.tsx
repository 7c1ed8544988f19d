'use client'

import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import { useMemo, useState } from 'react'
import type { LeftOutChoice } from '@/core/findings'
import { marksNow, type RunLog, type TrialPlan } from '@/core/trial'

interface Option {
  what: LeftOutChoice['what']
  id: string
  label: string
  group: string
}

interface Props {
  plan: TrialPlan
  log: RunLog
  leftOut: readonly LeftOutChoice[]
  onChange: (leftOut: LeftOutChoice[]) => void
}

/** As many as anybody looks through; typing narrows a long log's checks down. */
const firstOnes = createFilterOptions<Option>({ limit: 200 })

function optionsOf(plan: TrialPlan, log: RunLog): Option[] {
  const marks = marksNow(plan, log)
  const legs = [...new Map(marks.map((m) => [m.legId, m.legName]))]
  const link = (id: string) => plan.links.find((l) => l.id === id)?.name ?? 'another rig'
  const mark = (id: string) => marks.find((m) => m.id === id)?.name ?? 'another mark'
  return [
    ...legs.map(([id, label]): Option => ({ what: 'leg', id, label, group: 'Legs' })),
    ...marks.map((m): Option => ({ what: 'mark', id: m.id, label: m.name, group: 'Marks' })),
    ...log.checks
      .filter((c) => c.voided === null)
      .map((c): Option => ({
        what: 'check',
        id: c.id,
        label: `${mark(c.markId)}, ${link(c.linkId)} ${c.direction}: ${c.text || c.state}`,
        group: 'Checks',
      })),
  ]
}

/** Legs, marks or checks that are left out of the findings, each with its reason; the log keeps them. */
export function LeftOutPart({ plan, log, leftOut, onChange }: Props) {
  const options = useMemo(() => optionsOf(plan, log), [plan, log])
  const [chosen, setChosen] = useState<Option | null>(null)
  const [reason, setReason] = useState('')
  const [asked, setAsked] = useState(false)
  const isOut = (o: Option) => leftOut.some((l) => l.what === o.what && l.id === o.id)
  return (
    <Box component="section" aria-label="Left out" sx={{ gridColumn: '1 / -1' }}>
      <b>Left out of the findings</b>
      {leftOut.length === 0 && <span> nothing; the log keeps everything anyway.</span>}
      <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
        {leftOut.map((l) => (
          <li key={`${l.what} ${l.id}`}>
            {options.find((o) => o.what === l.what && o.id === l.id)?.label ?? l.id}: {l.reason}.{' '}
            <Button size="small" onClick={() => onChange(leftOut.filter((x) => x !== l))}>
              Put it back
            </Button>
          </li>
        ))}
      </Box>
      <Box
        component="form"
        sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}
        onSubmit={(e) => {
          e.preventDefault()
          setAsked(true)
          if (!chosen || reason.trim() === '') return
          onChange([...leftOut, { what: chosen.what, id: chosen.id, reason: reason.trim() }])
          setChosen(null)
          setReason('')
          setAsked(false)
        }}
      >
        <Autocomplete
          options={options.filter((o) => !isOut(o))}
          filterOptions={firstOnes}
          groupBy={(o) => o.group}
          getOptionKey={(o) => `${o.what} ${o.id}`}
          getOptionLabel={(o) => o.label}
          value={chosen}
          onChange={(_, v) => setChosen(v)}
          sx={{ width: 340, maxWidth: '100%' }}
          renderInput={(params) => (
            <TextField
              {...params}
              label="Leave out a leg, a mark or a check"
              error={asked && !chosen}
              helperText={asked && !chosen ? 'Choose what is to be left out.' : ' '}
            />
          )}
        />
        <TextField
          label="Why"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          error={asked && reason.trim() === ''}
          helperText={asked && reason.trim() === '' ? 'Say why, such as: plug was loose.' : ' '}
          sx={{ width: 300, maxWidth: '100%' }}
        />
        <Button type="submit" variant="outlined">
          Leave it out
        </Button>
      </Box>
    </Box>
  )
}
