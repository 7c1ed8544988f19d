'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import type { Offered } from '@/core/offered'
import { countText } from '@/core/units'
import { Fold } from '@/ui/shell'

interface Props<T> {
  /** What one is, and several are. */
  words: readonly [one: string, many: string]
  offered: readonly Offered<T>[]
  nameOf: (row: T) => string
  onUse: (id: string) => void
  onDelete: (id: string) => void
}

/** What is kept here and does not count in this trial, mostly because it lies elsewhere. */
export function NotUsed<T extends { id: string }>({ words, offered, nameOf, onUse, onDelete }: Props<T>) {
  const left = offered.filter((o) => !o.used)
  if (left.length === 0) return null
  return (
    <Fold
      title={`${countText(left.length, `other ${words[0]}`, `other ${words[1]}`)} kept here, not used in this trial`}
    >
      {left.map(({ row, near }) => (
        <Box
          key={row.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: '1px solid var(--rule)', py: 0.5 }}
        >
          <Box sx={{ flex: 1 }}>
            <b>{nameOf(row)}</b>
            <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>
              {near ? 'left out' : 'lies elsewhere'}
            </Box>
          </Box>
          <Button size="small" onClick={() => onUse(row.id)} aria-label={`Use ${nameOf(row)} here`}>
            Use it here
          </Button>
          <Button size="small" onClick={() => onDelete(row.id)} aria-label={`Delete ${nameOf(row)}`}>
            Delete
          </Button>
        </Box>
      ))}
    </Fold>
  )
}
