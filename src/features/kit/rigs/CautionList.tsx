'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useAction } from '@/ui/answers/useAction'
import type { Caution } from '@/core/kit'
import { readCaution } from './actions'

/** Cautions that the rig calls for; those marked as read come back when what they depend on changes. */
export function CautionList({
  trialId,
  cautions,
  read,
}: {
  trialId: string
  cautions: Caution[]
  read: string[]
}) {
  const action = useAction()
  const open = cautions.filter((c) => !read.includes(c.key))
  if (open.length === 0) return null
  return (
    <Box component="section" aria-label="Cautions" sx={{ my: 2 }}>
      {action.refusal('It was not marked as read')}
      {open.map((c) => (
        <Box
          key={c.key}
          sx={{
            borderLeft: '6px solid var(--accent-fill)',
            background: 'var(--raised)',
            px: 2,
            py: 1.25,
            mb: 1,
            display: 'flex',
            gap: 2,
            alignItems: 'center',
            flexWrap: 'wrap',
          }}
        >
          <Box sx={{ flex: '1 1 300px' }}>
            <b>{c.title}.</b> {c.words}
          </Box>
          <Button
            size="small"
            onClick={() => void action.run(() => readCaution(trialId, c.key))}
            aria-label={`Read: ${c.title}`}
          >
            Read
          </Button>
        </Box>
      ))}
    </Box>
  )
}
