'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import type { Direction, Rig } from '@/core/kit'
import { MAX_LETTERS, MAX_LINKS } from '@/core/schema/limits'
import { heardScales, makesChecks, WAYS_OF_WORKING, type WayOfWorking } from '@/core/trial'
import type { Units } from '@/core/units'
import type { PlanInput } from '@/data/trials'
import { CopyRuleField } from '@/ui/fields/CopyRuleField'
import { ScaleField } from '@/ui/fields/ScaleField'
import { EarStatesList } from './EarStatesList'
import { Fold } from '@/ui/shell'
import { LinkPicker } from './LinkPicker'
import { NeedFields } from './NeedFields'
import { Part, type PartsProps } from './PlanPart'
import { SameAsList } from './SameAsList'
import { SecondFigure } from './SecondFigure'

const DIRECTIONS: [string, Direction[]][] = [
  ['Both: to base and from base', ['to base', 'from base']],
  ['To base only', ['to base']],
  ['From base only', ['from base']],
  ['A loop, there and back', ['loop']],
]

const WAY_WORDS: Record<WayOfWorking, string> = {
  marks: 'At marks set beforehand',
  anywhere: 'Wherever I can stop',
  'one place': 'At one place, plugging in and out',
  edges: 'Walking each rig to its edge',
  'by ear': 'By ear on the way',
}

/** The question, and what is compared to answer it. */
export function Compared({ input, set, rigs }: PartsProps & { rigs: Rig[] }) {
  return (
    <>
      <Part title="The question">
        <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 720 }}>
          <TextField
            label="Name of the trial"
            value={input.name}
            onChange={(e) => set('name', e.target.value)}
            slotProps={{ htmlInput: { maxLength: MAX_LETTERS.trialName } }}
          />
          <TextField
            label="The question it is to answer"
            value={input.question}
            onChange={(e) => set('question', e.target.value)}
            slotProps={{ htmlInput: { maxLength: MAX_LETTERS.question } }}
          />
        </Box>
      </Part>
      <Part title="What is compared">
        {rigs.length < 2 ? (
          <Box sx={{ color: 'var(--soft)' }}>
            A link needs a rig at the base and one out there; add them under Kit.
          </Box>
        ) : (
          <LinkPicker
            rigs={rigs}
            value={input.links}
            most={MAX_LINKS}
            onChange={(links) => set('links', links)}
          />
        )}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 2 }}>
          <TextField
            select
            label="Where it is tried"
            value={input.way}
            onChange={(e) => set('way', e.target.value as WayOfWorking)}
            sx={{ minWidth: 250 }}
          >
            {WAYS_OF_WORKING.map((way) => (
              <Option key={way} value={way}>
                {WAY_WORDS[way]}
              </Option>
            ))}
          </TextField>
          <TextField
            select
            label="Directions"
            value={input.directions.join('|')}
            onChange={(e) => set('directions', e.target.value.split('|') as Direction[])}
            sx={{ minWidth: 250 }}
          >
            {DIRECTIONS.map(([name, d]) => (
              <Option key={name} value={d.join('|')}>
                {name}
              </Option>
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
    </>
  )
}

/** How it is reported, and what counts as heard. */
export function Reported({ input, set }: PartsProps) {
  return (
    <>
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
      <SecondFigure input={input} set={set} />
      <Part title="What counts as heard">
        <CopyRuleField
          value={input.copyRule}
          scales={heardScales(input)}
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
    </>
  )
}

/** What is the same for all. */
export function HeldSame({ input, set }: PartsProps) {
  return (
    <>
      <Part title="Held the same">
        <SameAsList value={input.sameAs} onChange={(v) => set('sameAs', v)} />
        <TextField
          select
          label="Surroundings"
          value={input.surroundings}
          onChange={(e) => set('surroundings', e.target.value as PlanInput['surroundings'])}
          sx={{ mt: 2, minWidth: 280 }}
        >
          <Option value="clear">clear line of sight</Option>
          <Option value="cluttered">the cluttered place where it will be used</Option>
          <Option value="mixed">mixed</Option>
        </TextField>
      </Part>
    </>
  )
}

/** States by ear, the need, and the order. */
export function EarNeedOrder({
  input,
  set,
  units,
  onNeed,
}: PartsProps & { units: Units; onNeed: (need: Partial<PlanInput>) => void }) {
  const states = <EarStatesList value={input.earStates} onChange={(v) => set('earStates', v)} />
  return (
    <>
      <Part title="By ear on the way">
        {input.way === 'by ear' ? (
          states
        ) : (
          <Fold title="Its words, for a signal that is on all the way">{states}</Fold>
        )}
      </Part>
      <Part title="The need">
        <NeedFields value={input} units={units} onChange={onNeed} />
      </Part>
      {makesChecks(input.way) && (
        <Part title="Order">
          <TextField
            select
            label="Order of links at a mark"
            value={input.orderScheme}
            onChange={(e) => set('orderScheme', e.target.value as PlanInput['orderScheme'])}
            sx={{ minWidth: 280, maxWidth: '100%' }}
          >
            <Option value="balanced">Balanced: each link comes first equally often</Option>
            <Option value="as listed">As listed, the same at every mark</Option>
            <Option value="on-off-on">On, off, on: the first link again after each of the others</Option>
          </TextField>
          <Box>
            <Button size="small" onClick={() => set('orderSeed', (input.orderSeed * 48271 + 11) % 1_000_003)}>
              Shuffle again
            </Button>
            <span style={{ color: 'var(--soft)' }}> seed {input.orderSeed}</span>
          </Box>
        </Part>
      )}
    </>
  )
}
