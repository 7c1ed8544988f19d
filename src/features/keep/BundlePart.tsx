'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { countText } from '@/core/units'
import type { BundleCounts } from '@/data/bundle/mergeBundle'
import { posted } from '@/ui/answers/posted'
import { useAction } from '@/ui/answers/useAction'
import { PickOne } from '@/ui/fields/PickOne'
import { FileButton } from './FileButton'

const ALL = 'all'

/** What of a bundle is new here, in a sentence; and what is here already. */
export function bundleWords(counts: BundleCounts, tense: 'would come' | 'came'): string {
  const { trial, run, entry } = counts
  const all = Object.values(counts)
  const fresh = all.reduce((n, c) => n + c.fresh, 0)
  const known = all.reduce((n, c) => n + c.known, 0)
  if (fresh === 0) return 'Everything in it is here already.'
  const others = fresh - trial.fresh - run.fresh - entry.fresh
  const parts = [
    ...(trial.fresh > 0 ? [countText(trial.fresh, 'trial')] : []),
    ...(run.fresh > 0 ? [countText(run.fresh, 'run')] : []),
    ...(entry.fresh > 0 ? [countText(entry.fresh, 'entry', 'entries')] : []),
    ...(others > 0 ? [countText(others, 'row of kit and ground', 'rows of kit and ground')] : []),
  ]
  const rest =
    known > 0
      ? ` ${countText(known, 'row')} in it ${known === 1 ? 'is' : 'are'} here already and stay as they are.`
      : ''
  return `${parts.join(', ')} ${tense} in.${rest}`
}

/** One trial or all as a bundle, and a bundle taken in. */
export function BundlePart({ trials }: { trials: readonly { id: string; name: string }[] }) {
  const router = useRouter()
  const action = useAction()
  const [trial, setTrial] = useState(ALL)
  const [looked, setLooked] = useState<{ file: File; counts: BundleCounts } | null>(null)
  const [said, setSaid] = useState('')
  const look = (file: File) => {
    setSaid('')
    setLooked(null)
    return action.run(
      () => posted<BundleCounts>('/api/bundle?look', file),
      (counts) => setLooked({ file, counts }),
    )
  }
  const take = (file: File) =>
    action.run(
      () => posted<BundleCounts>('/api/bundle', file),
      (counts) => {
        setLooked(null)
        setSaid(bundleWords(counts, 'came'))
        router.refresh()
      },
    )
  const fresh = looked && Object.values(looked.counts).some((c) => c.fresh > 0)
  return (
    <>
      <Box sx={{ mb: 1.5 }}>
        A bundle carries a trial to another Even Reach, and to other programs: its rows as JSON, checks and
        marks as CSV, ways as GPX, photos and sounds as they are.
      </Box>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        <PickOne
          label="What"
          size="small"
          sx={{ minWidth: 240 }}
          value={trial}
          options={[
            { value: ALL, name: 'All trials, and the whole kit' },
            ...trials.map((t) => ({ value: t.id, name: t.name })),
          ]}
          onPick={setTrial}
        />
        <Button
          variant="outlined"
          href={trial === ALL ? '/api/bundle' : `/api/bundle?trial=${encodeURIComponent(trial)}`}
          download
        >
          Write the bundle
        </Button>
        <FileButton
          words="Take a bundle in"
          label="A bundle’s file"
          busy={action.busy}
          onFile={(f) => void look(f)}
        />
      </Box>
      {action.refusal('Nothing was taken in')}
      {looked && (
        <Box sx={{ border: '2px solid var(--rule)', p: 2, mt: 1.5 }}>
          <Box sx={{ mb: 1.5 }}>{bundleWords(looked.counts, 'would come')}</Box>
          <Box sx={{ display: 'flex', gap: 1 }}>
            {fresh && (
              <Button variant="contained" disabled={action.busy} onClick={() => void take(looked.file)}>
                Take it in
              </Button>
            )}
            <Button onClick={() => setLooked(null)}>Leave it</Button>
          </Box>
        </Box>
      )}
      <Box role="status" aria-label="What came of the bundle" sx={{ fontWeight: 700, mt: 1 }}>
        {said}
      </Box>
    </>
  )
}
