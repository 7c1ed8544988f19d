import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { KitProblem, Fix } from '@/core/kit'

const WEIGHTS: Record<KitProblem['weight'], { title: string; color: string; mark: string }> = {
  harms: { title: 'Can do damage', color: 'var(--bad)', mark: 'M10 2l8 15H2z M10 7v5 M10 14.5v.5' },
  stops: { title: 'Will not work', color: 'var(--bad)', mark: 'M3 3l14 14 M17 3L3 17' },
  costs: { title: 'Costs reach', color: 'var(--ink)', mark: 'M2 5h6v6h6v6h4' },
  ask: { title: 'Not known', color: 'var(--soft)', mark: 'M6 7a4 4 0 1 1 5 4c-1 .5-1 1-1 2.5 M10 17v.5' },
}

const MEND_WORDS: Record<Fix['kind'], string> = {
  'turn round': 'Turn it round',
  'insert adapters': 'Put them in',
  'set power': 'Set that power',
  'set antenna': 'Set it so',
  'set height': 'Set that height',
}

/** What will not work, each with its reason and its way out. */
export function ProblemList({
  problems,
  empty,
  onFix,
}: {
  problems: readonly KitProblem[]
  /** Whether there are no parts yet, of which nothing can be said. */
  empty: boolean
  onFix: (m: Fix) => void
}) {
  return (
    <Box component="section" aria-label="What will not work">
      <Typography variant="h2" component="h2" sx={{ mb: 0.5 }}>
        {problems.length > 0 ? 'Before you leave home' : empty ? 'No parts yet' : 'No problems found'}
      </Typography>
      {problems.length === 0 && (
        <Box sx={{ color: 'var(--soft)' }}>
          {empty
            ? 'Once there are some, what does not mate, is off its band or over its rating is said here.'
            : 'Everything mates, everything is on its band and within its rating.'}
        </Box>
      )}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {problems.map((p, i) => {
          const w = WEIGHTS[p.weight]
          return (
            <Box
              component="li"
              key={`${p.code} ${p.where} ${i}`}
              sx={{ display: 'flex', gap: 1.25, py: 1, borderTop: '1px solid var(--rule)' }}
            >
              <svg
                width="20"
                height="20"
                viewBox="0 0 20 20"
                aria-hidden="true"
                style={{ flexShrink: 0, marginTop: 2 }}
              >
                <path
                  d={w.mark}
                  fill="none"
                  stroke={w.color}
                  strokeWidth="2.4"
                  strokeLinecap="round"
                  strokeLinejoin="round"
                />
              </svg>
              <Box sx={{ minWidth: 0 }}>
                <Box sx={{ fontSize: '0.88rem', color: w.color }}>
                  <b>{w.title}</b> · {p.where}
                </Box>
                <Box>{p.message}</Box>
                <Box sx={{ color: 'var(--soft)' }}>{p.wayOut}</Box>
                {p.fix && (
                  <Button size="small" variant="outlined" sx={{ mt: 0.75 }} onClick={() => onFix(p.fix!)}>
                    {MEND_WORDS[p.fix.kind]}
                  </Button>
                )}
              </Box>
            </Box>
          )
        })}
      </Box>
    </Box>
  )
}
