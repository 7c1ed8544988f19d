'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { apartSaid, sweepsApart, type SweepBand } from '@/core/bench'
import { countText } from '@/core/units'
import { rigLook } from '@/ui/theme/palette'
import type { DeskSweep, Sweeps } from './useSweeps'

/** Sweeps that lie over each other, by set-up, and whether these differ by more than they repeat. */
export function SweepList({ sweeps, band }: { sweeps: Sweeps; band: SweepBand }) {
  const groups = sweeps.setUps.map((setUp) => ({ setUp, of: sweeps.list.filter((s) => s.setUp === setUp) }))
  return (
    <Box sx={{ mt: 2.5 }}>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }} aria-label="Sweeps laid over each other">
        {groups.map(({ setUp, of }, i) => (
          <Group key={setUp} setUp={setUp} of={of} look={i} sweeps={sweeps} />
        ))}
      </Box>
      {groups.length > 1 && (
        <Box sx={{ mt: 1.5 }} role="status">
          {groups.slice(1).map(({ setUp, of }) => {
            const d = sweepsApart(
              groups[0]!.of.map((s) => s.sweep),
              of.map((s) => s.sweep),
              band,
            )
            return (
              <Box key={setUp} sx={{ mb: 0.5 }}>
                {d
                  ? apartSaid(groups[0]!.setUp, setUp, d)
                  : `${groups[0]!.setUp} and ${setUp} have nothing of the band in common.`}
              </Box>
            )
          })}
        </Box>
      )}
    </Box>
  )
}

function Group({
  setUp,
  of,
  look,
  sweeps,
}: {
  setUp: string
  of: DeskSweep[]
  look: number
  sweeps: Sweeps
}) {
  const { hue, dash } = rigLook(look)
  const chosen = of.find((s) => s.id === sweeps.chosen?.id)
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1.25,
        borderTop: '1px solid var(--rule)',
        py: 0.5,
        flexWrap: 'wrap',
      }}
    >
      <svg width="44" height="12" aria-hidden>
        <path d="M0 6H44" stroke={hue} strokeWidth="3" strokeDasharray={dash} />
      </svg>
      <Box sx={{ fontWeight: chosen ? 700 : 400, flex: '1 1 200px' }}>
        {setUp}{' '}
        <Box component="span" sx={{ color: 'var(--soft)', fontWeight: 400 }}>
          {countText(of.length, 'sweep')}
        </Box>
      </Box>
      <Box className="no-print" sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
        {of.map((s, i) => (
          <Button
            key={s.id}
            size="small"
            variant={s.id === sweeps.chosen?.id ? 'contained' : 'outlined'}
            onClick={() => sweeps.choose(s.id)}
            aria-label={`Read sweep ${i + 1} of ${setUp}`}
            sx={{ minWidth: 36 }}
          >
            {i + 1}
          </Button>
        ))}
        <Button
          size="small"
          onClick={() => (chosen ?? of[of.length - 1]) && sweeps.remove((chosen ?? of[of.length - 1]!).id)}
          aria-label={`Take a sweep of ${setUp} away`}
        >
          Away
        </Button>
      </Box>
    </Box>
  )
}
