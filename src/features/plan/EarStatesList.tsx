'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { USUAL_EAR_STATES, type EarState } from '@/core/trial'

const MEANS: [EarState['means'], string][] = [
  ['clear', 'all of it is copied'],
  ['broken', 'some of it is copied'],
  ['lost', 'none of it is copied'],
]

/** The trial's own words for a continuous signal heard on the way, and what each means. */
export function EarStatesList({
  value,
  onChange,
}: {
  value: readonly EarState[]
  onChange: (v: EarState[]) => void
}) {
  const shown = value.length > 0 ? value : USUAL_EAR_STATES
  const set = (i: number, change: Partial<EarState>) =>
    onChange(shown.map((s, k) => (k === i ? { ...s, ...change } : { ...s })))
  return (
    <Box sx={{ display: 'grid', gap: 1.25, maxWidth: 620 }}>
      <Box sx={{ color: 'var(--soft)' }}>
        For a signal that is on all the way: one tap, or the no-look key of a car, at each change.
      </Box>
      {shown.map((s, i) => (
        <Box key={i} sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <TextField
            label="What you say"
            value={s.name}
            error={s.name.trim() === ''}
            onChange={(e) => set(i, { name: e.target.value })}
            sx={{ flex: '1 1 150px' }}
          />
          <TextField
            select
            label="It means"
            value={s.means}
            onChange={(e) => set(i, { means: e.target.value as EarState['means'] })}
            sx={{ flex: '1 1 190px' }}
          >
            {MEANS.map(([means, words]) => (
              <Option key={means} value={means}>
                {words}
              </Option>
            ))}
          </TextField>
          <Button
            aria-label={`Take out ${s.name}`}
            disabled={shown.length <= 2}
            onClick={() => onChange(shown.filter((_, k) => k !== i).map((x) => ({ ...x })))}
          >
            Take out
          </Button>
        </Box>
      ))}
      <Box>
        <Button
          disabled={shown.length >= 8}
          onClick={() => onChange([...shown.map((x) => ({ ...x })), { name: '', means: 'broken' }])}
        >
          Add a state
        </Button>
      </Box>
    </Box>
  )
}
