'use client'

import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useMemo, useState, useTransition } from 'react'
import { chanceInWords, reachText, verdictWords, type Findings } from '@/core/findings'
import type { PlanGround } from '@/core/reach'
import type { CopyRule } from '@/core/reports'
import { marksNow, type RunLog, type TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import { CopyButton } from '@/ui/fields/CopyButton'
import { CopyRuleField } from '@/ui/fields/CopyRuleField'
import { PageHead, RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { ReachStrip, stripModel, type Bracket } from '@/ui/strip'
import { DifferenceTable } from './DifferenceTable'
import { differencesCsv, reachesCsv } from './findingsCsv'
import { ReachTable } from './ReachTable'
import { paramsFromRule } from './ruleParams'

interface Props {
  trialId: string
  runs: { id: string; name: string; state: RunLog['state'] }[]
  runId: string
  plan: TrialPlan
  log: RunLog
  findings: Findings
  ground: PlanGround | null
  units: Units
}

/** Brackets of the usable reach, by link. */
function bracketsOf(findings: Findings, units: Units): Map<string, Bracket[]> {
  const found = new Map<string, Bracket[]>()
  for (const { linkId, chance, reach } of findings.usable) {
    if (reach.seen !== 'some copied') continue
    const { estimateM, lowM, highM } = reach
    const bracket = { chance, estimateM, lowM, highM, label: reachText(reach, units) }
    found.set(linkId, [...(found.get(linkId) ?? []), bracket])
  }
  return found
}

const SCOPE_NAMES: Record<string, string> = {
  both: 'Both directions together',
  'to base': 'To base',
  'from base': 'From base',
  loop: 'Loop',
}

/** The findings: verdicts in words first, the strip that carries them, then the figures and what was left out. */
export function FindingsStep({ trialId, runs, runId, plan, log, findings, ground, units }: Props) {
  const router = useRouter()
  const [waiting, start] = useTransition()
  const [leg, setLeg] = useState<string | null>(null)
  const marks = useMemo(() => marksNow(plan, log), [plan, log])
  const legs = [...new Map(marks.map((m) => [m.legId, m.legName]))]
  const model = useMemo(
    () => stripModel(plan, marks, log, bracketsOf(findings, units), leg, ground),
    [plan, marks, log, findings, units, leg, ground],
  )
  const go = (rule: CopyRule, run: string) =>
    start(() => router.replace(`/trials/${trialId}/findings?${paramsFromRule(rule, run)}`, { scroll: false }))
  const name = (id: string) => plan.links.find((l) => l.id === id)?.name ?? id
  const asked = [...new Set(findings.pairs.map((p) => p.scope))]
  const scopes = asked.includes('both') ? ['both', ...plan.directions] : asked
  const headline = findings.pairs.filter((p) => p.scope === scopes[0])
  const looks = looksOf(plan.links.map((l) => l.letter))
  const state = runs.find((r) => r.id === runId)?.state
  return (
    <>
      <PageHead title="Findings">
        <TextField
          select
          label="Run"
          value={runId}
          onChange={(e) => start(() => router.replace(`/trials/${trialId}/findings?run=${e.target.value}`))}
          sx={{ minWidth: 220 }}
        >
          {runs.map((r) => (
            <MenuItem key={r.id} value={r.id}>
              {r.name}
              {r.state !== 'finished' && ` (${r.state === 'voided' ? 'void' : 'going on'})`}
            </MenuItem>
          ))}
        </TextField>
      </PageHead>
      {state === 'voided' && (
        <Box sx={{ borderLeft: '5px solid var(--bad)', pl: 2, mb: 2 }}>
          This run is void: {log.stateReason}. What follows is shown for the record and does not count.
        </Box>
      )}
      <Box component="section" aria-label="Verdicts" sx={{ mb: 2.5 }}>
        {headline.map((p) => {
          const { lead, detail } = verdictWords(p, name)
          return (
            <Box key={`${p.a} ${p.b}`} sx={{ mb: 1 }}>
              <Typography
                sx={{ fontSize: { xs: '1.1rem', md: '1.35rem' }, lineHeight: 1.3, fontWeight: 700 }}
              >
                {lead}
              </Typography>
              <Typography sx={{ color: 'var(--soft)' }}>{detail}</Typography>
            </Box>
          )
        })}
        <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1.5, display: 'grid', gap: 0.75 }}>
          {plan.links.map((link, i) => {
            const usable = findings.usable.find((u) => u.linkId === link.id && u.chance === 0.9)
            return (
              <Box component="li" key={link.id} sx={{ display: 'flex', gap: 1.25, alignItems: 'center' }}>
                <RigBadge letter={link.letter} index={looks[i]!} />
                <span>
                  <b>{link.name}</b> reaches {usable ? reachText(usable.reach, units) : 'an unknown distance'}
                  {usable?.reach.seen === 'some copied' && ` ${chanceInWords(0.9)}`}
                  {usable?.limitedBy &&
                    usable.reach.seen === 'some copied' &&
                    `; ${usable.limitedBy} is the weaker way`}
                </span>
              </Box>
            )
          })}
        </Box>
      </Box>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: 2,
          justifyContent: 'space-between',
          alignItems: 'flex-start',
          mb: 1.5,
          opacity: waiting ? 0.6 : 1,
        }}
      >
        <CopyRuleField
          value={findings.copyRule}
          scales={Object.values(plan.scales)}
          onChange={(rule) => go(rule, runId)}
        />
        {legs.length > 1 && (
          <ToggleButtonGroup
            exclusive
            size="small"
            value={leg ?? ''}
            onChange={(_, v: string | null) => v !== null && setLeg(v || null)}
            aria-label="Leg shown"
          >
            <ToggleButton value="">All legs</ToggleButton>
            {legs.map(([id, legName]) => (
              <ToggleButton key={id} value={id}>
                {legName}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        )}
      </Box>
      <ReachStrip model={model} units={units} title="What was heard, and how far each reaches" />
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Differences
      </Typography>
      {scopes.map((scope) => (
        <DifferenceTable
          key={scope}
          title={SCOPE_NAMES[scope]!}
          pairs={findings.pairs.filter((p) => p.scope === scope)}
          name={name}
        />
      ))}
      {findings.pairs.length === 0 && <p>A difference needs two links; this run has one.</p>}
      <CopyButton text={() => differencesCsv(findings, name)} label="Copy the differences as CSV" />
      <Typography variant="h2" component="h2" sx={{ mt: 4, mb: 1 }}>
        Reach
      </Typography>
      <ReachTable findings={findings} links={plan.links} units={units} />
      <Box sx={{ mt: 1 }}>
        <CopyButton text={() => reachesCsv(findings, name)} label="Copy the reaches as CSV" />
      </Box>
      <Typography variant="h2" component="h2" sx={{ mt: 4, mb: 1 }}>
        What this rests on
      </Typography>
      <ul style={{ margin: 0, paddingLeft: 20, maxWidth: 820 }}>
        <li>
          {findings.checks} checks at {marks.length} marks.{' '}
          {findings.leftOut.length === 0
            ? 'None was left out of everything.'
            : findings.leftOut.map((l) => `${l.checkIds.length} left out: ${l.why}.`).join(' ')}
        </li>
        {findings.scales.map((s) => (
          <li key={s.direction}>
            {s.direction}: {s.listener === 'base' ? 'the base' : 'whoever was out there'} reported {s.scale}.
          </li>
        ))}
        <li>
          {findings.fixedBeforehand
            ? 'The number of marks was fixed beforehand and carried out, so the plain intervals hold.'
            : 'Not every mark was reached, or their number was not fixed, so "better" also needs the interval that allows for stopping early.'}
        </li>
        <li>
          Surroundings: {plan.surroundings}.
          {plan.sameAs.length > 0 && ` Held the same: ${plan.sameAs.join('; ').toLowerCase()}.`}
        </li>
      </ul>
    </>
  )
}
