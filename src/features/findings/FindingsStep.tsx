'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useMemo, useRef, useState, useTransition } from 'react'
import type { Burden, Findings } from '@/core/findings'
import type { PlanGround } from '@/core/reach'
import { marksNow, type RunLog, type TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import { CopyButton } from '@/ui/fields/CopyButton'
import { CopyRuleField } from '@/ui/fields/CopyRuleField'
import { PickOne } from '@/ui/fields/PickOne'
import { Fold, Later, LinkButton, PageHead } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { ReachStrip, stripModel } from '@/ui/strip'
import type { AreaToCover } from './areasToCover'
import { BreakdownSection } from './BreakdownSection'
import { ChoicesPanel, type ShownRun } from './ChoicesPanel'
import { ClaimsSection } from './ClaimsSection'
import { DifferenceTable } from './DifferenceTable'
import { differencesCsv, reachesCsv } from './findingsCsv'
import { OnTheWay } from './OnTheWay'
import { ReachTable } from './ReachTable'
import { SettingFields } from './SettingFields'
import { LegPicker } from './LegPicker'
import { LegReaches } from './LegReaches'
import { LevelSection } from './LevelSection'
import { NeedSection } from './NeedSection'
import { paramsFromSettings, type Settings } from './ruleParams'
import { RestsOn } from './RestsOn'
import { SkySection } from './SkySection'
import { bracketsOf, scopesOf } from './strips'
import { useSettings } from './useSettings'
import { TakeAlong } from './TakeAlong'
import { TrendSection } from './TrendSection'
import { Verdicts } from './Verdicts'

interface Props {
  trialId: string
  runs: ShownRun[]
  /** Runs that were asked for and cannot be put together with this one. */
  apart: { runId: string; name: string; why: string }[]
  runId: string
  plan: TrialPlan
  log: RunLog
  findings: Findings
  burdens: [string, Burden][]
  areas: AreaToCover[]
  settings: Settings
  ground: PlanGround | null
  units: Units
}

const SCOPE_NAMES: Record<string, string> = {
  both: 'Both directions together',
  'to base': 'To base',
  'from base': 'From base',
  loop: 'Loop',
}

/** A strip of more checks than these is drawn once the sentences can be read, px kept free for it meanwhile. */
const MANY_CHECKS = 1500
const MANY_HEIGHT = 520

/** What stands behind the name of a run in the list. */
const RUN_STATES = { finished: '', voided: ' (void)', going: ' (going on)' }

interface DifferencesProps {
  findings: Findings
  scopes: ReturnType<typeof scopesOf>
  name: (id: string) => string
}

/** Every difference, by direction, as tables. */
function Differences({ findings, scopes, name }: DifferencesProps) {
  // With many pairs each direction by itself is a page of its own.
  const manyPairs = findings.pairs.filter((p) => p.scope === scopes[0]).length > 3
  return (
    <>
      <Typography variant="h2" component="h2" sx={{ mt: 3, mb: 1 }}>
        Differences
      </Typography>
      {scopes.map((scope, i) => {
        const table = (
          <DifferenceTable
            key={scope}
            title={SCOPE_NAMES[scope]!}
            pairs={findings.pairs.filter((p) => p.scope === scope)}
            name={name}
          />
        )
        return i > 0 && manyPairs ? (
          <Fold key={scope} title={SCOPE_NAMES[scope]!}>
            {table}
          </Fold>
        ) : (
          table
        )
      })}
      {findings.pairs.length === 0 && <p>A difference needs two links; this run has one.</p>}
      <CopyButton text={() => differencesCsv(findings, name)} label="Copy the differences as CSV" />
    </>
  )
}

/** The findings: verdicts in words first, the strip that carries them, then the figures and what was left out. */
export function FindingsStep({
  trialId,
  runs,
  runId,
  apart,
  plan,
  log,
  findings,
  burdens,
  areas,
  settings,
  ground,
  units,
}: Props) {
  const router = useRouter()
  const { shown, waiting, turn } = useSettings(settings, trialId, runId)
  const [changing, start] = useTransition()
  const strip = useRef<HTMLDivElement>(null)
  const [leg, setLeg] = useState<string | null>(null)
  const marks = useMemo(() => marksNow(plan, log), [plan, log])
  const legs = [...new Map(marks.map((m) => [m.legId, m.legName]))]
  const model = useMemo(
    () => stripModel(plan, marks, log, bracketsOf(findings, units), leg, ground),
    [plan, marks, log, findings, units, leg, ground],
  )
  const drawn = <ReachStrip model={model} units={units} title="What was heard, and how far each reaches" />
  const name = (id: string) => plan.links.find((l) => l.id === id)?.name ?? id
  const markName = (id: string) => marks.find((m) => m.id === id)?.name ?? id
  const runName = (id: string) => runs.find((r) => r.id === id)?.name ?? id
  const params = paramsFromSettings(settings, runId)
  const scopes = scopesOf(findings, plan)
  const sky = plan.links.some((l) => l.out.txMHz < 30)
  const headline = findings.pairs.filter((p) => p.scope === scopes[0])
  const looks = looksOf(plan.links.map((l) => l.letter))
  const state = runs.find((r) => r.id === runId)?.state
  return (
    <>
      <PageHead title="Findings">
        {/* Each turn of a knob has a summary of its own, which few will print. */}
        <LinkButton prefetch={false} href={`/trials/${trialId}/findings/summary?${params}`}>
          One page to print
        </LinkButton>
        <PickOne
          label="Run"
          value={runId}
          options={runs.map((r) => ({ value: r.id, name: `${r.name}${RUN_STATES[r.state]}` }))}
          onPick={(id) => start(() => router.replace(`/trials/${trialId}/findings?run=${id}`))}
          sx={{ minWidth: 220 }}
        />
      </PageHead>
      {state === 'voided' && (
        <Box sx={{ borderLeft: '5px solid var(--bad)', pl: 2, mb: 2 }}>
          This run is void: {log.stateReason}. What follows is shown for the record and does not count.
        </Box>
      )}
      <Verdicts
        {...{ plan, findings, name, units }}
        mark={markName}
        pairs={headline}
        reliability={settings.reliability}
      />
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: 2,
          justifyContent: 'space-between',
          alignItems: 'flex-start',
          mb: 1.5,
          opacity: waiting || changing ? 0.6 : 1,
        }}
      >
        <CopyRuleField
          value={shown.rule}
          scales={Object.values(plan.scales)}
          onChange={(rule) => turn({ rule })}
        />
        <SettingFields settings={shown} onChange={turn} />
        {legs.length > 1 && <LegPicker {...{ legs, leg }} onChange={setLeg} />}
      </Box>
      <ChoicesPanel {...{ plan, log, runs, runId, apart }} settings={shown} onChange={turn} />
      <div ref={strip}>
        {log.checks.length > MANY_CHECKS ? <Later height={MANY_HEIGHT}>{drawn}</Later> : drawn}
      </div>
      <TakeAlong box={strip} select='svg[role="group"]' title="Reach strip" />
      <Differences {...{ findings, scopes, name }} />
      <TrendSection pairs={headline} marginDb={findings.marginDb} name={name} units={units} />
      {sky && <SkySection {...{ plan, settings, units }} pairs={headline} onSky={(v) => turn({ sky: v })} />}
      <Typography variant="h2" component="h2" sx={{ mt: 4, mb: 1 }}>
        Reach
      </Typography>
      <ReachTable findings={findings} links={plan.links} units={units} />
      <Box sx={{ mt: 1 }}>
        <CopyButton text={() => reachesCsv(findings, name)} label="Copy the reaches as CSV" />
      </Box>
      <LegReaches legs={findings.legs} {...{ name, units }} />
      {findings.levels && (
        <LevelSection levels={findings.levels} marginDb={findings.marginDb} {...{ plan, looks, units }} />
      )}
      <NeedSection {...{ plan, findings, burdens, areas, settings, units }} onNeed={turn} />
      <ClaimsSection {...{ plan, findings, settings, units }} onClaims={(claims) => turn({ claims })} />
      <BreakdownSection
        {...{ trialId, params, units }}
        name={name}
        mark={markName}
        run={runName}
        firstRun={runName(runId)}
      />
      <Typography variant="h2" component="h2" sx={{ mt: 4, mb: 1 }}>
        What this rests on
      </Typography>
      <RestsOn findings={findings} plan={plan} marks={marks.length} />
      <OnTheWay runId={runId} plan={plan} log={log} units={units} />
    </>
  )
}
