'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { PageLink } from '@/ui/shell/PageLink'
import { TrialAnswer } from './TrialAnswer'
import type { TrialLine } from './trialLineType'

interface Props {
  trial: TrialLine
  onLike: () => void
  onArchive: () => void
  onDelete: () => void
}

/** A trial: what it is called and asks, what it found or what comes next. */
export function TrialRow({ trial: t, onLike, onArchive, onDelete }: Props) {
  const keys: [string, () => void][] = [
    ['One like it', onLike],
    [t.archived ? 'Take back' : 'Put away', onArchive],
    ['Delete', onDelete],
  ]
  return (
    <Box
      component="li"
      sx={{
        borderBottom: '1px solid var(--rule)',
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        '&:hover': { background: 'var(--raised)' },
      }}
    >
      <Box
        component={PageLink}
        href={`/trials/${t.id}/${t.step}`}
        sx={{
          flex: '1 1 420px',
          minWidth: 0,
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', md: '1fr 180px' },
          gap: { xs: 0.5, md: 3 },
          px: 1.5,
          py: 1.75,
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
          {t.next && (
            <Box component="span" sx={{ display: 'block', mt: 0.5, fontWeight: 700 }}>
              Next: {t.next}
            </Box>
          )}
        </span>
        <Box component="span" sx={{ color: 'var(--soft)', textAlign: { md: 'right' } }}>
          {t.state}
        </Box>
      </Box>
      <Box sx={{ display: 'flex', px: { xs: 0.5, md: 0 }, pb: { xs: 1, md: 0 } }}>
        {keys.map(([words, work]) => (
          <Button
            key={words}
            size="small"
            aria-label={`${words}: ${t.name}`}
            onClick={work}
            sx={{ color: 'var(--soft)', minWidth: 0, px: 1 }}
          >
            {words}
          </Button>
        ))}
      </Box>
    </Box>
  )
}
