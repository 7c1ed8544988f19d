'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import { useState } from 'react'
import { EVENING_TERMS, type EveningTerm } from '@/core/findings'
import type { RunLog, TrialPlan } from '@/core/trial'
import { choicesText } from './choicesText'
import { LeftOutPart } from './LeftOutPart'
import type { Settings } from './ruleParams'

export interface ShownRun {
  id: string
  name: string
  state: RunLog['state']
  checks: number
}

interface Props {
  plan: TrialPlan
  log: RunLog
  runs: readonly ShownRun[]
  runId: string
  apart: readonly { runId: string; name: string; why: string }[]
  settings: Settings
  onChange: (change: Partial<Settings>) => void
}

const STEPS = [3, 4, 4.5, 5, 6]
const TERM_WORDS: Record<EveningTerm, string> = {
  power: 'power',
  'lead loss': 'lead and adapters',
  'antenna gain': 'antenna gain, where measured',
  attenuator: 'attenuator',
  height: 'height, by plane earth',
}

/**
 * What goes into the findings: runs, evening term by term, how meters are read, what is left out. All of it
 * can be taken back.
 */
export function ChoicesPanel({ plan, log, runs, runId, apart, settings, onChange }: Props) {
  const { choices } = settings
  // Drawn when it is opened: a long log's checks to choose from are many.
  const [open, setOpen] = useState(false)
  const others = runs.filter((r) => r.id !== runId && r.state !== 'voided' && r.checks > 0)
  const set = (change: Partial<Settings['choices']>) => onChange({ choices: { ...choices, ...change } })
  const metered = Object.values(plan.scales).some((s) => 'strength' in s && s.strength.by !== 'ear')
  const step = choices.unitStepDb ?? 'declared'
  return (
    <Box
      component="details"
      className="no-print"
      onToggle={(e) => setOpen((e.currentTarget as HTMLDetailsElement).open)}
      sx={{ my: 1.5, borderTop: '1px solid var(--rule)', borderBottom: '1px solid var(--rule)', py: 1 }}
    >
      <summary style={{ cursor: 'pointer' }}>
        <b>What goes in:</b> {choicesText(settings, runs, runId)}
      </summary>
      {open && (
        <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, mt: 1.5 }}>
          <Box component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
            <legend>
              <b>Taken out where known</b>
            </legend>
            {EVENING_TERMS.map((term) => (
              <FormControlLabel
                key={term}
                label={TERM_WORDS[term]}
                control={
                  <Checkbox
                    size="small"
                    checked={choices.evening.includes(term)}
                    onChange={(e) =>
                      set({
                        evening: EVENING_TERMS.filter((t) =>
                          t === term ? e.target.checked : choices.evening.includes(t),
                        ),
                      })
                    }
                  />
                }
              />
            ))}
          </Box>
          <Box sx={{ display: 'grid', gap: 1.5, alignContent: 'start' }}>
            {others.length > 0 && (
              <Box component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
                <legend>
                  <b>Put together with</b>
                </legend>
                {others.map((r) => (
                  <FormControlLabel
                    key={r.id}
                    label={`${r.name}, ${r.checks} checks`}
                    control={
                      <Checkbox
                        size="small"
                        checked={settings.withRuns.includes(r.id)}
                        onChange={(e) =>
                          onChange({
                            withRuns: e.target.checked
                              ? [...settings.withRuns, r.id]
                              : settings.withRuns.filter((id) => id !== r.id),
                          })
                        }
                      />
                    }
                  />
                ))}
                {apart.map((a) => (
                  <Box key={a.runId} sx={{ color: 'var(--bad)' }}>
                    {a.name} stays out: {a.why}.
                  </Box>
                ))}
              </Box>
            )}
            {metered && (
              <TextField
                select
                label="One S-unit of every meter"
                value={step}
                onChange={(e) => {
                  const v = e.target.value
                  set({ unitStepDb: v === 'declared' ? null : v === 'unknown' ? 'unknown' : Number(v) })
                }}
                sx={{ maxWidth: 320 }}
              >
                <MenuItem value="declared">as its scale declares it</MenuItem>
                {[...new Set([...STEPS, ...(typeof step === 'number' ? [step] : [])])]
                  .sort((a, b) => a - b)
                  .map((s) => (
                    <MenuItem key={s} value={s}>
                      {s} dB
                    </MenuItem>
                  ))}
                <MenuItem value="unknown">unknown, between 3 and 6 dB</MenuItem>
              </TextField>
            )}
          </Box>
          <LeftOutPart
            {...{ plan, log }}
            leftOut={choices.leftOut}
            onChange={(leftOut) => set({ leftOut })}
          />
        </Box>
      )}
    </Box>
  )
}
