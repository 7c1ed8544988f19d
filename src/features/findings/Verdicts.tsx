import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import {
  cautionWords,
  chanceInWords,
  ladderOf,
  reachText,
  stepWords,
  throughWords,
  verdictWords,
  type Findings,
  type JudgedPair,
} from '@/core/findings'
import type { TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import { RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'

interface Props {
  plan: TrialPlan
  findings: Findings
  /** Pairs of the scope that is quoted first. */
  pairs: readonly JudgedPair[]
  reliability: number
  name: (id: string) => string
  mark: (id: string) => string
  units: Units
}

/** The answer in sentences: which is better and by how much, and how far each reaches. */
export function Verdicts({ plan, findings, pairs, reliability, name, mark, units }: Props) {
  // Where there are steps from link to link they are the answer, and the pairs stand in the tables.
  const ladder = ladderOf(plan.links, pairs)
  const looks = looksOf(plan.links.map((l) => l.letter))
  return (
    <Box component="section" aria-label="Verdicts" sx={{ mb: 2.5 }}>
      {findings.cautions.length > 0 && (
        <Box
          component="ul"
          aria-label="Before the verdict"
          sx={{
            listStyle: 'none',
            m: 0,
            mb: 1.5,
            px: 1.75,
            py: 1,
            maxWidth: 860,
            borderLeft: '4px solid var(--bad)',
          }}
        >
          {findings.cautions.map((c) => {
            const words = cautionWords(c, name, mark, units)
            return <li key={words}>{words}</li>
          })}
        </Box>
      )}
      {ladder.length > 0 && (
        <Box
          component="ol"
          aria-label="Step by step"
          sx={{ m: 0, pl: 3.5, fontSize: { xs: '1.1rem', md: '1.3rem' }, fontWeight: 700, lineHeight: 1.35 }}
        >
          {ladder.map((step) => (
            <li key={step.to}>{stepWords(step)}</li>
          ))}
        </Box>
      )}
      {(ladder.length > 0 ? [] : pairs).map((p) => {
        const { lead, detail } = verdictWords(p, name)
        return (
          <Box key={`${p.a} ${p.b}`} sx={{ mb: 1 }}>
            <Typography sx={{ fontSize: { xs: '1.1rem', md: '1.35rem' }, lineHeight: 1.3, fontWeight: 700 }}>
              {lead}
            </Typography>
            <Typography sx={{ color: 'var(--soft)' }}>{detail}</Typography>
          </Box>
        )
      })}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1.5, display: 'grid', gap: 0.75 }}>
        {plan.links.map((link, i) => {
          const usable = findings.usable.find((u) => u.linkId === link.id && u.chance === reliability)
          const through = findings.levels?.through
            .find((t) => t.linkId === link.id)
            ?.reaches.find((r) => r.chance === reliability)
          return (
            <Box component="li" key={link.id} sx={{ display: 'flex', gap: 1.25, alignItems: 'center' }}>
              <RigBadge letter={link.letter} index={looks[i]!} />
              <span>
                <b>{link.name}</b> reaches {usable ? reachText(usable.reach, units) : 'an unknown distance'}
                {usable?.reach.seen === 'some copied' && ` ${chanceInWords(reliability)}`}
                {usable?.limitedBy &&
                  usable.reach.seen === 'some copied' &&
                  `; ${usable.limitedBy} is the weaker way`}
                {through && `. ${throughWords(through, reliability, units)}`}
              </span>
            </Box>
          )
        })}
      </Box>
    </Box>
  )
}
