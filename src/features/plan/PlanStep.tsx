'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useMemo, useState, type ReactNode } from 'react'
import { nameLinks, type Direction, type Rig } from '@/core/kit'
import { estimatedMinutes, foldEntries, plannedChecks, type TrialPlan } from '@/core/trial'
import type { PlanGround } from '@/core/reach'
import type { Units } from '@/core/units'
import type { PlanInput } from '@/data/trials'
import { CopyRuleField } from '@/ui/fields/CopyRuleField'
import { ScaleField } from '@/ui/fields/ScaleField'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { PageHead } from '@/ui/shell'
import { ReachStrip, stripModel } from '@/ui/strip'
import { storePlan } from './actions'
import { EarStatesList } from './EarStatesList'
import { LinkPicker } from './LinkPicker'
import { NeedFields } from './NeedFields'
import { PowerPart } from './PowerPart'
import { SameAsList } from './SameAsList'

interface Props {
  trialId: string
  revision: number
  plan: TrialPlan
  initial: PlanInput
  rigs: Rig[]
  runs: number
  ground: PlanGround | null
  units: Units
}

const DIRECTIONS: [string, Direction[]][] = [
  ['Both: to base and from base', ['to base', 'from base']],
  ['To base only', ['to base']],
  ['From base only', ['from base']],
  ['A loop, there and back', ['loop']],
]

const EMPTY_LOG = foldEntries([])

/** The plan as the form stands, with the links put together from the kit. */
function draftPlan(plan: TrialPlan, input: PlanInput, rigs: Rig[]): TrialPlan {
  const joined = input.links.flatMap((l) => {
    const base = rigs.find((r) => r.id === l.baseRigId)
    const out = rigs.find((r) => r.id === l.outRigId)
    return base && out ? [{ id: `${base.id} ${out.id}`, base, out }] : []
  })
  const links = nameLinks(joined)
  const { directions, scales, copyRule, repeats, marginDb, surroundings, sameAs } = input
  const order = { scheme: input.orderScheme, seed: input.orderSeed }
  return { ...plan, links, directions, scales, copyRule, repeats, marginDb, surroundings, sameAs, order }
}

function time(minutes: number): string {
  const m = Math.round(minutes / 5) * 5
  return m < 60 ? `${m} min` : `${Math.floor(m / 60)} h ${m % 60 ? `${m % 60} min` : ''}`.trim()
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box
      component="section"
      sx={{
        borderTop: '1px solid var(--rule)',
        py: 2,
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '190px minmax(0, 1fr)' },
        gap: { xs: 1, md: 3 },
      }}
    >
      <Typography variant="h3" component="h2">
        {title}
      </Typography>
      <Box sx={{ minWidth: 0 }}>{children}</Box>
    </Box>
  )
}

/** The plan: what is compared, what is held the same, what counts as heard, and every check still to make. */
export function PlanStep({ trialId, revision, plan, initial, rigs, runs, ground, units }: Props) {
  const [input, setInput] = useState(initial)
  const [saved, setSaved] = useState(false)
  const action = useAction()
  const set = <K extends keyof PlanInput>(key: K, value: PlanInput[K]) => {
    setInput((old) => ({ ...old, [key]: value }))
    setSaved(false)
  }
  const draft = useMemo(() => draftPlan(plan, input, rigs), [plan, input, rigs])
  const model = useMemo(
    () => stripModel(draft, draft.marks, EMPTY_LOG, new Map(), null, ground),
    [draft, ground],
  )
  const checks = plannedChecks(draft).length
  const changed = JSON.stringify(input) !== JSON.stringify(initial)
  useUnsaved(changed)
  const save = () =>
    action.run(
      () => storePlan(trialId, revision, input),
      () => setSaved(true),
    )
  const directionText = input.directions.join('|')
  return (
    <>
      <PageHead title="Plan">
        <Box sx={{ textAlign: { sm: 'right' } }}>
          <Box sx={{ fontSize: '1.5rem', fontWeight: 700, lineHeight: 1.1 }}>{checks} checks</Box>
          <Box sx={{ color: 'var(--soft)' }}>
            {draft.marks.length} marks × {draft.links.length} links × {input.directions.length}{' '}
            {input.directions.length === 1 ? 'direction' : 'directions'}
            {input.repeats > 1 && ` × ${input.repeats}`}, about {time(estimatedMinutes(draft))} on foot
          </Box>
        </Box>
      </PageHead>
      {draft.links.length > 0 && draft.marks.length > 0 && (
        <ReachStrip model={model} units={units} title="Every check still to make" />
      )}
      {draft.marks.length === 0 && (
        <Box sx={{ mb: 2, color: 'var(--soft)' }}>There are no marks yet; set them under Ground.</Box>
      )}
      <Part title="The question">
        <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 720 }}>
          <TextField
            label="Name of the trial"
            value={input.name}
            onChange={(e) => set('name', e.target.value)}
          />
          <TextField
            label="The question it is to answer"
            value={input.question}
            onChange={(e) => set('question', e.target.value)}
          />
        </Box>
      </Part>
      <Part title="What is compared">
        {rigs.length < 2 ? (
          <Box sx={{ color: 'var(--soft)' }}>
            A link needs a rig at the base and one out there; add them under Kit.
          </Box>
        ) : (
          <LinkPicker rigs={rigs} value={input.links} onChange={(links) => set('links', links)} />
        )}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 2 }}>
          <TextField
            select
            label="Directions"
            value={directionText}
            onChange={(e) => set('directions', e.target.value.split('|') as Direction[])}
            sx={{ minWidth: 250 }}
          >
            {DIRECTIONS.map(([name, d]) => (
              <MenuItem key={name} value={d.join('|')}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            type="number"
            label="Repeats at each mark"
            value={input.repeats}
            onChange={(e) => set('repeats', Math.max(1, Math.min(20, Number(e.target.value) || 1)))}
            sx={{ width: 180 }}
          />
        </Box>
      </Part>
      <Part title="How it is reported">
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'repeat(2, minmax(0, 1fr))' },
            gap: 3,
          }}
        >
          <ScaleField
            label="The base reports"
            value={input.scales.base}
            onChange={(base) => set('scales', { ...input.scales, base })}
          />
          <ScaleField
            label="Whoever is out there reports"
            value={input.scales.out}
            onChange={(out) => set('scales', { ...input.scales, out })}
          />
        </Box>
      </Part>
      <Part title="What counts as heard">
        <CopyRuleField
          value={input.copyRule}
          scales={Object.values(input.scales)}
          onChange={(r) => set('copyRule', r)}
        />
        <TextField
          type="number"
          label="A difference that would matter (dB)"
          value={input.marginDb}
          onChange={(e) => set('marginDb', Number(e.target.value))}
          sx={{ mt: 2, width: 280 }}
        />
      </Part>
      <Part title="Held the same">
        <SameAsList value={input.sameAs} onChange={(v) => set('sameAs', v)} />
        <TextField
          select
          label="Surroundings"
          value={input.surroundings}
          onChange={(e) => set('surroundings', e.target.value as PlanInput['surroundings'])}
          sx={{ mt: 2, minWidth: 280 }}
        >
          <MenuItem value="clear">clear line of sight</MenuItem>
          <MenuItem value="cluttered">the cluttered place where it will be used</MenuItem>
          <MenuItem value="mixed">mixed</MenuItem>
        </TextField>
      </Part>
      <Part title="By ear on the way">
        <EarStatesList value={input.earStates} onChange={(v) => set('earStates', v)} />
      </Part>
      <Part title="The need">
        <NeedFields
          value={input}
          units={units}
          onChange={(need) => {
            setInput((old) => ({ ...old, ...need }))
            setSaved(false)
          }}
        />
      </Part>
      <Part title="Order">
        <TextField
          select
          label="Order of links at a mark"
          value={input.orderScheme}
          onChange={(e) => set('orderScheme', e.target.value as PlanInput['orderScheme'])}
          sx={{ minWidth: 280, maxWidth: '100%' }}
        >
          <MenuItem value="balanced">Balanced: each link comes first equally often</MenuItem>
          <MenuItem value="as listed">As listed, the same at every mark</MenuItem>
          <MenuItem value="on-off-on">On, off, on: the first link again after each of the others</MenuItem>
        </TextField>
        <Box>
          <Button size="small" onClick={() => set('orderSeed', (input.orderSeed * 48271 + 11) % 1_000_003)}>
            Shuffle again
          </Button>
          <span style={{ color: 'var(--soft)' }}> seed {input.orderSeed}</span>
        </Box>
      </Part>
      <Part title="Can it tell?">
        <PowerPart plan={draft} expected={ground?.expected ?? []} />
      </Part>
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
