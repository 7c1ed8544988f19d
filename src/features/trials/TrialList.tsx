'use client'

import Box from '@mui/material/Box'
import { TextField } from '@/ui/fields/TextField'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { PageLink } from '@/ui/shell/PageLink'
import { useEffect, useRef, useState } from 'react'
import { countText } from '@/core/units'
import { useAction } from '@/ui/answers/useAction'
import { PickOne } from '@/ui/fields/PickOne'
import { Fold } from '@/ui/shell'
import { putAway, takeLike } from './actions'
import type { ListAsked, ListedTrials } from './listedTrials'
import type { TrialLine } from './trialLineType'
import { TrialRow } from './TrialRow'
import { TRIAL_ORDERS } from './trialSort'

// Seldom wanted, and with it the dialog.
const DeleteTrial = dynamic(() => import('./DeleteTrial').then((m) => m.DeleteTrial), { ssr: false })

/** So many are seen at a glance. */
const MANY = 7
/** Whoever types is waited for so long. */
const TYPED_MS = 200

const LIST = { listStyle: 'none', m: 0, p: 0, borderTop: '1px solid var(--rule)' } as const

/** The trials: what each found or what comes next; those put away are folded in below. */
export function TrialList({ list }: { list: ListedTrials }) {
  const router = useRouter()
  const action = useAction()
  const [deleting, setDeleting] = useState<string | null>(null)
  const { here, away, asked, pages } = list
  const rows = (lines: TrialLine[]) => (
    <Box component="ul" sx={LIST}>
      {lines.map((t) => (
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
  return (
    <>
      {deleting && <DeleteTrial trialId={deleting} onClose={() => setDeleting(null)} />}
      {action.refusal('Nothing was changed', 'Trial')}
      {list.all >= MANY && <Finder asked={asked} />}
      {here.found + away.found === 0 && <Box sx={{ py: 2 }}>No trial has all of these words.</Box>}
      {here.found > 0 && rows(here.lines)}
      {pages > 1 && (
        <Box
          component="nav"
          aria-label="Pages of trials"
          sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1.5, color: 'var(--soft)' }}
        >
          {asked.page > 1 && (
            <PageLink href={addressOf({ ...asked, page: asked.page - 1 })}>The ones before</PageLink>
          )}
          <span>
            Page {asked.page} of {pages}, {countText(here.found, 'trial')}
          </span>
          {asked.page < pages && (
            <PageLink href={addressOf({ ...asked, page: asked.page + 1 })}>The next ones</PageLink>
          )}
        </Box>
      )}
      {away.found > 0 && (
        <Box sx={{ mt: 2 }}>
          <Fold title={`${countText(away.found, 'trial')} put away`}>
            {rows(away.lines)}
            {away.found > away.lines.length && (
              <Box sx={{ py: 1.5, color: 'var(--soft)' }}>
                These are {away.lines.length} of them; the others are found by their words.
              </Box>
            )}
          </Fold>
        </Box>
      )}
    </>
  )
}

function addressOf({ words, order, page }: ListAsked): string {
  const query = new URLSearchParams()
  if (words.trim() !== '') query.set('find', words)
  if (order !== TRIAL_ORDERS[0]) query.set('order', order)
  if (page > 1) query.set('page', String(page))
  return query.size > 0 ? `/?${query}` : '/'
}

/** What is looked for, and in which order; the address keeps it. */
function Finder({ asked }: { asked: ListAsked }) {
  const router = useRouter()
  const [words, setWords] = useState(asked.words)
  const [order, setOrder] = useState(asked.order)
  const waits = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  // Whoever opens a trial meanwhile is not called back to the list.
  useEffect(() => () => clearTimeout(waits.current), [])
  const ask = (next: Partial<ListAsked>, after: number) => {
    clearTimeout(waits.current)
    waits.current = setTimeout(
      () => router.replace(addressOf({ words, order, page: 1, ...next }), { scroll: false }),
      after,
    )
  }
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 2 }}>
      <TextField
        type="search"
        label="Find a trial"
        value={words}
        onChange={(e) => {
          setWords(e.target.value)
          ask({ words: e.target.value }, TYPED_MS)
        }}
        sx={{ flex: '1 1 260px' }}
      />
      <PickOne
        label="Order"
        value={order}
        options={TRIAL_ORDERS.map((o) => ({ value: o, name: o }))}
        onPick={(next) => {
          setOrder(next)
          ask({ order: next }, 0)
        }}
        sx={{ minWidth: 190 }}
      />
    </Box>
  )
}
