'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import {
  partDifferences,
  placeParts,
  type Assembly,
  type Part,
  type RuleSet,
  type ServiceRule,
} from '@/core/kit'
import type { Units } from '@/core/units'
import type { UnitRow } from '@/data/parts'
import type { KitRig } from '@/data/rigs'
import { soon } from '@/ui/early/soon'
import { LinkButton, PageHead, RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { FactsFields } from './FactsFields'
import { draftOf } from './rigDraft'
import { useRigSave } from './useRigSave'
import { assemblyOf, useRigDraft } from './useRigDraft'

// Drawn by the server; what drags parts about comes right after the form's own scripts.
const ChainWork = soon(() => import('./ChainWork').then((m) => m.ChainWork))

interface Props {
  trialId: string
  rig: KitRig | null
  origin: KitRig | null
  freeLetter: string
  parts: Part[]
  unitRows: UnitRow[]
  service: ServiceRule | null
  rules: RuleSet
  cautionsRead: string[]
  units: Units
}

/** In what a variant differs from the rig that it was taken from. */
function VariantWords({ origin, assembly, parts }: { origin: KitRig; assembly: Assembly; parts: Part[] }) {
  const changes = origin.assembly ? partDifferences(origin.assembly, assembly, parts) : []
  return (
    <Box sx={{ mb: 1.5, color: 'var(--soft)' }}>
      Variant of{' '}
      <b>
        {origin.letter}, {origin.name}
      </b>
      {changes.length === 0
        ? ': the same parts so far.'
        : `: ${changes.map((c) => (c.only === 'first' ? `without ${c.name}` : `with ${c.name}`)).join(', ')}.`}
    </Box>
  )
}

/** Builds a rig: what it is called and set to, and its chain. */
export function RigBuilder({
  trialId,
  rig,
  origin,
  freeLetter,
  parts,
  unitRows,
  service,
  rules,
  cautionsRead,
  units,
}: Props) {
  const held = useRigDraft(draftOf(rig, freeLetter, units), parts, service, units)
  const { draft, changed, setFacts } = held
  const [portIndex, setPort] = useState(0)
  const home = `/trials/${trialId}/kit`
  const { action, errors, save } = useRigSave(trialId, rig, draft, units, home)
  useUnsaved(changed && !action.busy)
  const { facts } = draft
  const assembly = assemblyOf(draft, units)
  const at = Math.min(portIndex, assembly.ports.length - 1)
  const placed = placeParts(assembly, parts)
  return (
    <>
      <PageHead title={rig ? `Rig ${facts.letter}, ${facts.name || 'no name yet'}` : 'Build a rig'}>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <RigBadge letter={facts.letter || '?'} index={looksOf([facts.letter || '?'])[0]!} size={34} />
          <Button variant="contained" onClick={() => void save()} disabled={action.busy}>
            Save the rig
          </Button>
          <LinkButton href={home}>Leave it</LinkButton>
        </Box>
      </PageHead>
      {origin && <VariantWords origin={origin} assembly={assembly} parts={parts} />}
      {action.refusal('Nothing was saved')}
      <FactsFields facts={facts} radio={placed.radio} units={units} errors={errors} onChange={setFacts} />
      <ChainWork
        {...{ trialId, held, assembly, placed, at, parts, unitRows, rules, cautionsRead, units, errors }}
        partsHref={`${home}/parts`}
        isNew={rig === null}
        onPort={setPort}
      />
    </>
  )
}
