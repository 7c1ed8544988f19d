'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import Drawer from '@mui/material/Drawer'
import FormControlLabel from '@mui/material/FormControlLabel'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { EVENING_TERMS, type EveningTerm } from '@/core/findings'
import { countText } from '@/core/units'
import { CopyRuleField } from '@/ui/fields/CopyRuleField'
import { useSettings } from '../frame/useSettings'
import { LeftOutPart } from './LeftOutPart'
import type { KnobsProps } from './knobsOf'
import { SettingFields } from './SettingFields'

const STEPS = [3, 4, 4.5, 5, 6]
const TERM_WORDS: Record<EveningTerm, string> = {
  power: 'power',
  'lead loss': 'lead and adapters',
  'antenna gain': 'antenna gain, where measured',
  attenuator: 'attenuator',
  height: 'height, by plane earth',
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mb: 3 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Box>
  )
}

type StepDb = KnobsProps['settings']['choices']['unitStepDb']

/** By what step every meter is read. */
function MeterStep({ stepDb, onChange }: { stepDb: StepDb; onChange: (stepDb: StepDb) => void }) {
  const step = stepDb ?? 'declared'
  return (
    <Part title="How meters are read">
      <TextField
        select
        label="One S-unit of every meter"
        value={step}
        onChange={(e) => {
          const v = e.target.value
          onChange(v === 'declared' ? null : v === 'unknown' ? 'unknown' : Number(v))
        }}
        sx={{ minWidth: 280 }}
      >
        <Option value="declared">as its scale declares it</Option>
        {[...new Set([...STEPS, ...(typeof step === 'number' ? [step] : [])])]
          .sort((a, b) => a - b)
          .map((s) => (
            <Option key={s} value={s}>
              {s} dB
            </Option>
          ))}
        <Option value="unknown">unknown, between 3 and 6 dB</Option>
      </TextField>
    </Part>
  )
}

/**
 * The knobs of the findings, one panel over every place: what counts as copied, what difference matters, which checks
 * are used and how they are read. All of it can be taken back, and stands in the address.
 */
export function KnobsPanel({
  trialId,
  runId,
  runs,
  scales,
  settings,
  onClose,
}: KnobsProps & { onClose: () => void }) {
  const { shown, waiting, turn } = useSettings(settings, runId)
  const { choices } = shown
  const set = (change: Partial<typeof choices>) => turn({ choices: { ...choices, ...change } })
  const others = runs.filter((r) => r.id !== runId && r.state !== 'voided' && r.checks > 0)
  const metered = Object.values(scales).some((s) => 'strength' in s && s.strength.by !== 'ear')
  return (
    <Drawer
      anchor="right"
      open
      onClose={onClose}
      slotProps={{
        paper: {
          sx: { width: { xs: '100%', sm: 480 }, p: 2.5, background: 'var(--paper)' },
          role: 'dialog',
          'aria-modal': true,
          'aria-label': 'Read it another way',
        },
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 2 }}>
        <Typography variant="h2" component="h2" sx={{ flex: 1 }}>
          Read it another way
        </Typography>
        <span role="status" style={{ color: 'var(--soft)', marginRight: 12 }}>
          {waiting ? 'Working it out…' : ''}
        </span>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </Box>
      <Part title="What counts as copied">
        <CopyRuleField value={shown.rule} scales={scales} onChange={(rule) => turn({ rule })} />
      </Part>
      <Part title="What matters">
        <SettingFields settings={shown} onChange={turn} />
      </Part>
      <Part title="Taken out where known">
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
      </Part>
      {others.length > 0 && (
        <Part title="Put together with">
          {others.map((r) => (
            <FormControlLabel
              key={r.id}
              label={`${r.name}, ${countText(r.checks, 'check')}`}
              control={
                <Checkbox
                  size="small"
                  checked={shown.withRuns.includes(r.id)}
                  onChange={(e) =>
                    turn({
                      withRuns: e.target.checked
                        ? [...shown.withRuns, r.id]
                        : shown.withRuns.filter((id) => id !== r.id),
                    })
                  }
                />
              }
            />
          ))}
        </Part>
      )}
      {metered && <MeterStep stepDb={choices.unitStepDb} onChange={(unitStepDb) => set({ unitStepDb })} />}
      <LeftOutPart
        {...{ trialId, runId }}
        leftOut={choices.leftOut}
        onChange={(leftOut) => set({ leftOut })}
      />
    </Drawer>
  )
}
