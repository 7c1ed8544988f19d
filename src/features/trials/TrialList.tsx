'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useState } from 'react'
import { TrialAnswer } from './TrialAnswer'

// Seldom wanted, and with it the dialog.
const DeleteTrial = dynamic(() => import('./DeleteTrial').then((m) => m.DeleteTrial), { ssr: false })

export interface TrialLine {
  id: string
  name: string
  question: string
  /** Where it stands, in a few words. */
  state: string
  /** The step to open. */
  step: string
  /** It holds something that an answer can be made from. */
  answers: boolean
}

/** The trials, newest first: name, question and where each stands. */
export function TrialList({ trials }: { trials: TrialLine[] }) {
  const [deleting, setDeleting] = useState<string | null>(null)
  return (
    <>
      {deleting && <DeleteTrial trialId={deleting} onClose={() => setDeleting(null)} />}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, borderTop: '1px solid var(--rule)' }}>
        {trials.map((t) => (
          <Box
            component="li"
            key={t.id}
            sx={{
              borderBottom: '1px solid var(--rule)',
              display: 'flex',
              alignItems: 'center',
              '&:hover': { background: 'var(--raised)' },
            }}
          >
            <Box
              component={Link}
              href={`/trials/${t.id}/${t.step}`}
              sx={{
                flex: 1,
                minWidth: 0,
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', md: '1fr 180px' },
                gap: { xs: 0.5, md: 3 },
                px: 1.5,
                py: 2,
                color: 'var(--ink)',
                textDecoration: 'none',
              }}
            >
              <span>
                <Box component="span" sx={{ display: 'block', fontWeight: 700, fontSize: '1.15rem' }}>
                  {t.name}
                </Box>
                <Box component="span" sx={{ display: 'block', color: 'var(--soft)' }}>
                  {t.question}
                </Box>
                {t.answers && <TrialAnswer trialId={t.id} />}
              </span>
              <Box component="span" sx={{ color: 'var(--soft)', textAlign: { md: 'right' } }}>
                {t.state}
              </Box>
            </Box>
            <Button
              size="small"
              aria-label={`Delete ${t.name}`}
              onClick={() => setDeleting(t.id)}
              sx={{ color: 'var(--soft)' }}
            >
              Delete
            </Button>
          </Box>
        ))}
      </Box>
    </>
  )
}
