'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { type Units, countText, distanceText } from '@/core/units'
import type { LegWithMarks } from '@/data/ground'
import { useAction } from '@/ui/answers/useAction'
import { Fold } from '@/ui/shell'
import { takeLeg } from './actions'

/** Routes of other trials that start at this base. */
export function KeptLegs({ trialId, kept, units }: { trialId: string; kept: LegWithMarks[]; units: Units }) {
  const action = useAction()
  if (kept.length === 0) return null
  const take = (legId: string) => action.run(() => takeLeg(trialId, legId))
  return (
    <Fold title="Routes kept from other trials">
      {kept.map((l) => (
        <Box
          key={l.id}
          sx={{ display: 'flex', alignItems: 'center', gap: 1, borderTop: '1px solid var(--rule)', py: 0.5 }}
        >
          <Box sx={{ flex: 1 }}>
            <b>{l.name}</b>
            <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>
              {countText(l.marks.length, 'mark')}, out to{' '}
              {distanceText(Math.max(0, ...l.marks.map((m) => m.distanceM)), units)}
            </Box>
          </Box>
          <Button size="small" onClick={() => void take(l.id)} aria-label={`Use ${l.name} again`}>
            Use again
          </Button>
        </Box>
      ))}
      {action.refusal('It was not taken', 'Route')}
    </Fold>
  )
}
