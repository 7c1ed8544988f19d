'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useDeferredValue, useMemo, useState } from 'react'
import { nameLinks, type Rig } from '@/core/kit'
import {
  estimatedMinutes,
  makesChecks,
  marksOfWay,
  needsMarks,
  plannedChecks,
  type TrialPlan,
} from '@/core/trial'
import type { PlanGround } from '@/core/reach'
import { type Units, countText } from '@/core/units'
import type { PlanInput } from '@/data/trials'
import { OnceKnown, type Soon } from '@/ui/answers/OnceKnown'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { soon } from '@/ui/early/soon'
import { PageHead } from '@/ui/shell'
import { stripHeight } from '@/ui/strip/stripHeight'
import { storePlan } from './actions'
import { Part } from './PlanPart'
import { Compared, EarNeedOrder, HeldSame, Reported } from './PlanParts'
import { PowerPart } from './PowerPart'

interface Props {
  trialId: string
  revision: number
  plan: TrialPlan
  initial: PlanInput
  rigs: Rig[]
  runs: number
  /** What the ground says of it, by itself until it is corrected by what was logged. */
  ground: Soon<PlanGround | null>
  units: Units
}

// The server draws it; its scripts come right after the form's.
const StillToMake = soon(() => import('./StillToMake').then((m) => m.StillToMake))

/** Key, words and table of the strip beside its drawing, px. */
const AROUND_STRIP = 140

/** The plan as the form stands, with the links put together from the kit. */
function draftPlan(plan: TrialPlan, input: PlanInput, rigs: Rig[]): TrialPlan {
  const joined = input.links.flatMap((l) => {
    const base = rigs.find((r) => r.id === l.baseRigId)
    const out = rigs.find((r) => r.id === l.outRigId)
    return base && out ? [{ id: `${base.id} ${out.id}`, base, out }] : []
  })
  const links = nameLinks(joined)
  const { way, directions, scales, copyRule, also, repeats, marginDb, surroundings, sameAs } = input
  const marks = marksOfWay(way, plan.marks, plan.trialName)
  const order = { scheme: input.orderScheme, seed: input.orderSeed }
  return {
    ...plan,
    way,
    links,
    marks,
    directions,
    scales,
    copyRule,
    also,
    repeats,
    marginDb,
    surroundings,
    sameAs,
    order,
  }
}

function time(minutes: number): string {
  const m = Math.round(minutes / 5) * 5
  return m < 60 ? `${m} min` : `${Math.floor(m / 60)} h ${m % 60 ? `${m % 60} min` : ''}`.trim()
}

const ON_THE_WAY = {
  anywhere: 'marks are made where you stop',
  edges: 'each walked until it is lost, as often as you like',
  'by ear': 'every change noted on the way',
}

/** How much there is to do, in figures. */
function Extent({ draft, checks }: { draft: TrialPlan; checks: number }) {
  const { way, marks, links, directions, repeats } = draft
  const open = marks.length === 0 || !makesChecks(way)
  const onTheWay = way && way in ON_THE_WAY && open ? ON_THE_WAY[way as keyof typeof ON_THE_WAY] : null
  return (
    <Box sx={{ textAlign: { sm: 'right' } }}>
      <Box sx={{ fontSize: '1.5rem', fontWeight: 700, lineHeight: 1.1 }}>
        {onTheWay ? countText(links.length, 'link') : countText(checks, 'check')}
      </Box>
      <Box sx={{ color: 'var(--soft)' }}>
        {onTheWay ?? (
          <>
            {countText(marks.length, 'mark')} × {countText(links.length, 'link')} ×{' '}
            {countText(directions.length, 'direction')}
            {repeats > 1 && ` × ${repeats}`}, about {time(estimatedMinutes(draft))}
            {way === 'one place' ? '' : ' on foot'}
          </>
        )}
      </Box>
    </Box>
  )
}

/** The plan: what is compared, what is held the same, what counts as heard, and every check still to make. */
export function PlanStep(props: Props) {
  // Outlives the form, which begins anew from what was saved.
  const [saved, setSaved] = useState(false)
  return <PlanForm key={props.revision} {...props} saved={saved} setSaved={setSaved} />
}

interface FormProps extends Props {
  saved: boolean
  setSaved: (saved: boolean) => void
}

function PlanForm(props: FormProps) {
  const { trialId, revision, plan, initial, rigs, runs, ground, units, saved, setSaved } = props
  const [input, setInput] = useState(initial)
  const action = useAction()
  const set = <K extends keyof PlanInput>(key: K, value: PlanInput[K]) => {
    setInput((old) => ({ ...old, [key]: value }))
    setSaved(false)
  }
  const draft = useMemo(() => draftPlan(plan, input, rigs), [plan, input, rigs])
  // The strip follows a moment later: typing does not wait for it.
  const drawn = useDeferredValue(draft)
  const checks = plannedChecks(draft).length
  const changed = JSON.stringify(input) !== JSON.stringify(initial)
  useUnsaved(changed && !saved)
  const save = () =>
    action.run(
      () => storePlan(trialId, revision, input),
      () => setSaved(true),
    )
  const byChecks = makesChecks(input.way)
  return (
    <>
      <PageHead title="Plan">
        <Extent draft={draft} checks={checks} />
      </PageHead>
      {draft.links.length > 0 && draft.marks.length > 0 && byChecks && (
        <OnceKnown what={ground}>
          {(known) => (
            <StillToMake
              draft={drawn}
              ground={known}
              units={units}
              roomPx={stripHeight(draft.links.length, true) + AROUND_STRIP}
            />
          )}
        </OnceKnown>
      )}
      {draft.marks.length === 0 && needsMarks(input.way) && (
        <Box sx={{ mb: 2, color: 'var(--soft)' }}>There are no marks yet; set them under Ground.</Box>
      )}
      <Compared {...{ input, set, rigs }} />
      {byChecks && <Reported {...{ input, set }} />}
      <HeldSame {...{ input, set }} />
      <EarNeedOrder
        {...{ input, set, units }}
        onNeed={(need) => {
          setInput((old) => ({ ...old, ...need }))
          setSaved(false)
        }}
      />
      {byChecks && (
        <Part title="Can it tell?">
          <PowerPart plan={draft} ground={ground} />
        </Part>
      )}
      <Box
        sx={{
          position: 'sticky',
          bottom: 0,
          background: 'var(--paper)',
          borderTop: '2px solid var(--ink)',
          py: 1.5,
          display: 'flex',
          gap: 2,
          alignItems: 'center',
          flexWrap: 'wrap',
        }}
      >
        <Button variant="contained" onClick={() => void save()} disabled={!changed || action.busy}>
          Save the plan
        </Button>
        <span role="status">
          {saved && 'The plan is saved.'}
          {!saved && changed && 'Not saved yet.'}
          {!changed && runs > 0 && ' Runs keep the plan they were begun with.'}
        </span>
      </Box>
      {action.refusal('The plan was not saved')}
    </>
  )
}
