'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { needOf, type AreaToCover } from './areasToCover'
import {
  byWords,
  decide,
  decisionWords,
  matrixWords,
  nextWords,
  trendWords,
  type Burden,
  type Breakdown,
  type Findings,
} from '@/core/findings'
import type { PlanGround } from '@/core/reach'
import { marksNow, type RunLog, type TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import { LinkButton } from '@/ui/shell'
import { ReachStrip, stripModel } from '@/ui/strip'
import { choicesText } from './choicesText'
import { ReachTable } from './ReachTable'
import { RestsOn } from './RestsOn'
import type { Settings } from './ruleParams'
import { bracketsOf, scopesOf } from './strips'
import { Verdicts } from './Verdicts'

interface Props {
  back: string
  runs: { id: string; name: string }[]
  run: { id: string; name: string; startedAt: string }
  plan: TrialPlan
  log: RunLog
  findings: Findings
  breakdown: Breakdown
  burdens: [string, Burden][]
  areas: AreaToCover[]
  settings: Settings
  ground: PlanGround | null
  units: Units
}

/**
 * The findings on one page: the question, the answer, the strip, how far, where it holds, what to take, what
 * it rests on.
 */
export function SummaryPage({
  back,
  runs,
  run,
  plan,
  log,
  findings,
  breakdown,
  burdens,
  areas,
  settings,
  ground,
  units,
}: Props) {
  const marks = useMemo(() => marksNow(plan, log), [plan, log])
  const model = useMemo(
    () => stripModel(plan, marks, log, bracketsOf(findings, units), null, ground),
    [plan, marks, log, findings, units, ground],
  )
  const name = (id: string) => plan.links.find((l) => l.id === id)?.name ?? id
  const mark = (id: string) => marks.find((m) => m.id === id)?.name ?? id
  const [scope] = scopesOf(findings, plan)
  const pairs = findings.pairs.filter((p) => p.scope === scope)
  const { reliability } = settings
  const answers = decide(findings, plan.links, needOf(settings, areas), new Map(burdens), units)
  const sloped = pairs.filter((p) => p.trend)
  const changing = sloped.filter(
    (p) => p.trend!.crossing || p.trend!.slope95.low! > 0 || p.trend!.slope95.high! < 0,
  )
  const told = sloped[0]
  const where = [
    ...(breakdown.matrix ? matrixWords(breakdown.matrix) : []),
    ...changing.map((p) => `${name(p.a)} against ${name(p.b)}: ${trendWords(p, name, units)}`),
    ...(changing.length === 0 && told ? [trendWords(told, name, units)] : []),
    ...breakdown.by.flatMap((g) => g.pairs.filter((p) => p.change).map((p) => byWords(g.what, p, name))),
  ]
  return (
    <Box
      sx={{
        maxWidth: 980,
        '@media print': {
          zoom: 0.6,
          maxWidth: 'none',
          '& ul': { maxWidth: 'none !important' },
          '& h2': { mt: 1 },
          '& td, & th': { py: 0.35 },
          '& [aria-label="Verdicts"]': { mb: 1 },
        },
      }}
    >
      <Box className="no-print" sx={{ display: 'flex', gap: 1, mb: 2 }}>
        <Button variant="contained" onClick={() => window.print()}>
          Print it
        </Button>
        <LinkButton href={back}>Back to the findings</LinkButton>
      </Box>
      <Typography variant="h1" component="h1" sx={{ mb: 0.25 }}>
        {plan.trialName}
      </Typography>
      <Typography sx={{ color: 'var(--soft)', mb: 1.5 }}>
        {plan.question} {run.name}, {run.startedAt.slice(0, 10)}
        {plan.base && `, from ${plan.base.name}`}. Copied means: {findings.copyRuleInWords}.
      </Typography>
      <Verdicts {...{ plan, findings, pairs, reliability, name, mark, units }} />
      <ReachStrip model={model} units={units} title="What was heard, and how far each reaches" />
      <Box sx={{ breakInside: 'avoid' }}>
        <Typography variant="h2" component="h2" sx={{ mt: 2, mb: 0.5 }}>
          How far
        </Typography>
        <ReachTable findings={findings} links={plan.links} units={units} usableOnly />
      </Box>
      {where.length > 0 && (
        <Box sx={{ breakInside: 'avoid' }}>
          <Typography variant="h2" component="h2" sx={{ mt: 2, mb: 0.5 }}>
            What brought it, and where it holds
          </Typography>
          <ul style={{ margin: 0, paddingLeft: 20 }}>
            {where.slice(0, 8).map((w) => (
              <li key={w}>{w}</li>
            ))}
          </ul>
        </Box>
      )}
      {answers.length > 0 && (
        <>
          <Typography variant="h2" component="h2" sx={{ mt: 2, mb: 0.5 }}>
            What to take
          </Typography>
          <p style={{ margin: 0 }}>
            <b>{decisionWords(answers, name)}</b>
          </p>
        </>
      )}
      {breakdown.next && breakdown.next.pairsWanted !== null && (
        <p style={{ margin: '8px 0 0' }}>{nextWords(breakdown.next, name, mark, units)}</p>
      )}
      <Box sx={{ breakInside: 'avoid' }}>
        <Typography variant="h2" component="h2" sx={{ mt: 2, mb: 0.5 }}>
          What this rests on
        </Typography>
        <RestsOn findings={findings} plan={plan} marks={marks.length} />
        <p style={{ margin: '4px 0 0', color: 'var(--soft)' }}>
          What went in: {choicesText(settings, runs, run.id)} Intervals are 90 %; marks are the units.
        </p>
      </Box>
    </Box>
  )
}
