'use client'

import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import { describeCopyRule, type CopyRule, type Scale } from '@/core/reports'

interface Props {
  value: CopyRule
  scales: Scale[]
  onChange: (rule: CopyRule) => void
}

/** What counts as heard. */
export function CopyRuleField({ value, scales, onChange }: Props) {
  const hasReadability = scales.some((s) => s.kind === 'readability-strength' || s.kind === 'readability')
  const hasLevel = scales.some((s) => s.kind === 'level')
  const hasCount = scales.some((s) => s.kind === 'count')
  return (
    <Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        {hasReadability && (
          <TextField
            select
            label="Readability"
            value={value.minReadability ?? 0}
            onChange={(e) => onChange({ ...value, minReadability: Number(e.target.value) || null })}
            sx={{ minWidth: 150 }}
          >
            <MenuItem value={0}>any, if heard</MenuItem>
            {[1, 2, 3, 4, 5].map((r) => (
              <MenuItem key={r} value={r}>
                {r === 5 ? '5' : `${r} or better`}
              </MenuItem>
            ))}
          </TextField>
        )}
        {hasLevel && (
          <TextField
            type="number"
            label="Level at least"
            value={value.minLevel ?? ''}
            onChange={(e) =>
              onChange({ ...value, minLevel: e.target.value === '' ? null : Number(e.target.value) })
            }
            sx={{ width: 150 }}
          />
        )}
        {hasCount && (
          <TextField
            select
            label="Copied at least"
            value={value.minShare ?? 0}
            onChange={(e) => onChange({ ...value, minShare: Number(e.target.value) || null })}
            sx={{ minWidth: 150 }}
          >
            {[0, 0.4, 0.6, 0.8, 1].map((s) => (
              <MenuItem key={s} value={s}>
                {s === 0 ? 'anything' : `${s * 100} %`}
              </MenuItem>
            ))}
          </TextField>
        )}
        <TextField
          select
          label="Calls it may take"
          value={value.maxCalls}
          onChange={(e) => onChange({ ...value, maxCalls: Number(e.target.value) })}
          sx={{ minWidth: 150 }}
        >
          {[1, 2, 3, 4, 5].map((n) => (
            <MenuItem key={n} value={n}>
              {n === 1 ? 'the first only' : `no more than ${n}`}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Box sx={{ color: 'var(--soft)', mt: 0.75 }}>Copied means: {describeCopyRule(value)}.</Box>
    </Box>
  )
}
