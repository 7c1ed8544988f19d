'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { chanceInWords } from '@/core/findings'
import type { Settings } from '../frame/ruleParams'

const MARGINS = [1, 2, 3, 4, 6, 10]
const OFTEN = [0.5, 0.8, 0.9, 0.95]

const withOwn = (list: readonly number[], own: number) => [...new Set([...list, own])].sort((a, b) => a - b)

/** What a reader may turn over the same log: the difference that matters, and how often a copy is wanted. */
export function SettingFields({
  settings,
  onChange,
}: {
  settings: Settings
  onChange: (change: Partial<Settings>) => void
}) {
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
      <TextField
        select
        label="What difference matters"
        value={settings.marginDb}
        onChange={(e) => onChange({ marginDb: Number(e.target.value) })}
        sx={{ minWidth: 180 }}
      >
        {withOwn(MARGINS, settings.marginDb).map((m) => (
          <Option key={m} value={m}>
            {m} dB
          </Option>
        ))}
      </TextField>
      <TextField
        select
        label="How often copied"
        value={settings.reliability}
        onChange={(e) => onChange({ reliability: Number(e.target.value) })}
        sx={{ minWidth: 190 }}
      >
        {withOwn(OFTEN, settings.reliability).map((r) => (
          <Option key={r} value={r}>
            {chanceInWords(r)}
          </Option>
        ))}
      </TextField>
    </Box>
  )
}
