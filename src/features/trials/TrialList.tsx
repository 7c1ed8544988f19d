'use client'

import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { countText } from '@/core/units'
import { useAction } from '@/ui/answers/useAction'
import { Fold } from '@/ui/shell'
import { putAway, takeLike } from './actions'
import type { TrialLine } from './trialLineType'
import { TrialRow } from './TrialRow'
import { sortedTrials, TRIAL_ORDERS, type TrialOrder } from './trialSort'

// Seldom wanted, and with it the dialog.
const DeleteTrial = dynamic(() => import('./DeleteTrial').then((m) => m.DeleteTrial), { ssr: false })

/** So many are seen at a glance. */
const MANY = 7

const LIST = { listStyle: 'none', m: 0, p: 0, borderTop: '1px solid var(--rule)' } as const

/** The trials: what each found or what comes next; those put away are folded in below. */
export function TrialList({ trials }: { trials: TrialLine[] }) {
  const router = useRouter()
  const action = useAction()
  const [deleting, setDeleting] = useState<string | null>(null)
  const [words, setWords] = useState('')
  const [order, setOrder] = useState<TrialOrder>('begun last')
  const found = sortedTrials(trials, words, order)
  const rows = (list: TrialLine[]) => (
    <Box component="ul" sx={LIST}>
      {list.map((t) => (
        <TrialRow
          key={t.id}
          trial={t}
          onLike={() =>
            void action.run(
              () => takeLike(t.id),
              (id) => router.push(`/trials/${id}/kit`),
            )
          }
          onArchive={() => void action.run(() => putAway(t.id, !t.archived))}
          onDelete={() => setDeleting(t.id)}
        />
      ))}
    </Box>
  )
  const [here, away] = [found.filter((t) => !t.archived), found.filter((t) => t.archived)]
  return (
    <>
      {deleting && <DeleteTrial trialId={deleting} onClose={() => setDeleting(null)} />}
      {action.refusal('Nothing was changed', 'Trial')}
      {trials.length >= MANY && (
        <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 2 }}>
          <TextField
            type="search"
            label="Find a trial"
            value={words}
            onChange={(e) => setWords(e.target.value)}
            sx={{ flex: '1 1 260px' }}
          />
          <TextField
            select
            label="Order"
            value={order}
            onChange={(e) => setOrder(e.target.value as TrialOrder)}
            sx={{ minWidth: 190 }}
          >
            {TRIAL_ORDERS.map((o) => (
              <MenuItem key={o} value={o}>
                {o}
              </MenuItem>
            ))}
          </TextField>
        </Box>
      )}
      {found.length === 0 && <Box sx={{ py: 2 }}>No trial has all of these words.</Box>}
      {here.length > 0 && rows(here)}
      {away.length > 0 && (
        <Box sx={{ mt: 2 }}>
          <Fold title={`${countText(away.length, 'trial')} put away`}>{rows(away)}</Fold>
        </Box>
      )}
    </>
  )
}
