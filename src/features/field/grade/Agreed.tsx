'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { bodyOf, type EntryBody, type LoggedCheck } from '@/core/trial'
import { agreementOf } from './cuts'

interface Props {
  checks: readonly LoggedCheck[]
  words: (check: LoggedCheck) => string
  onSettle: (body: EntryBody, checkId: string) => void
}

/** How two listeners agree, and what they heard differently: both are kept, and somebody says which counts. */
export function Agreed({ checks, words, onSettle }: Props) {
  const agreement = agreementOf(checks)
  if (!agreement || agreement.both === 0) return null
  // A check that was corrected by hand has been settled.
  const open = agreement.differ.filter((c) => c.versions === 1)
  return (
    <Box component="section" aria-label="Two listeners" sx={{ mt: 3 }}>
      <b>
        The two listeners agree on {agreement.alike} of {agreement.both}.
      </b>{' '}
      {open.length > 0 && 'Until one is settled the first listener’s grade counts.'}
      {open.map((c) => (
        <Box
          key={c.id}
          role="group"
          aria-label={`Settle ${words(c)}`}
          sx={{
            display: 'flex',
            gap: 1,
            flexWrap: 'wrap',
            alignItems: 'center',
            borderTop: '1px solid var(--rule)',
            py: 1,
          }}
        >
          <Box sx={{ flex: '1 1 240px' }}>{words(c)}</Box>
          {agreement.listeners.map((who) => {
            const { text } = c.grades.findLast((g) => g.listener === who)!
            return (
              <Button
                key={who}
                variant="outlined"
                onClick={() => onSettle({ kind: 'check', ...bodyOf(c), text, state: 'graded' }, c.id)}
              >
                {text} ({who})
              </Button>
            )
          })}
        </Box>
      ))}
    </Box>
  )
}
