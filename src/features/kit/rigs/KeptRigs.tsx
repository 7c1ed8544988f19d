'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { countText } from '@/core/units'
import type { KeptRig } from '@/data/rigs'
import { Fold } from '@/ui/shell'

/** Rigs of other trials, to be taken into this one; those that nobody uses can be deleted. */
export function KeptRigs({
  rigs,
  onTake,
  onDelete,
}: {
  rigs: KeptRig[]
  onTake: (id: string) => void
  onDelete: (id: string) => void
}) {
  if (rigs.length === 0) return null
  return (
    <Fold title={`${countText(rigs.length, 'more rig')} in your kit, not in this trial`}>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1, maxWidth: 820 }}>
        {rigs.map((r) => (
          <Box
            component="li"
            key={r.id}
            sx={{
              borderTop: '1px solid var(--rule)',
              py: 1,
              display: 'flex',
              gap: 1.5,
              alignItems: 'center',
            }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <b>{r.name}</b>
              <Box component="span" sx={{ color: 'var(--soft)' }}>
                {' '}
                · {r.kind}, {r.txMHz} MHz, {r.powerW} W
              </Box>
              {r.note && <Box sx={{ color: 'var(--soft)', fontSize: '0.85rem' }}>{r.note}</Box>}
            </Box>
            {!r.used && (
              <Button size="small" onClick={() => onDelete(r.id)} aria-label={`Delete ${r.name}`}>
                Delete
              </Button>
            )}
            <Button
              size="small"
              variant="outlined"
              onClick={() => onTake(r.id)}
              aria-label={`Take ${r.name} into this trial`}
            >
              Take it in
            </Button>
          </Box>
        ))}
      </Box>
    </Fold>
  )
}
