'use client'

import { DndContext } from '@dnd-kit/core'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import {
  cautionsOf,
  isBuilt,
  partDifferences,
  placeParts,
  type Assembly,
  type Part,
  type RuleSet,
  type ServiceRule,
} from '@/core/kit'
import type { Surroundings } from '@/core/rf'
import type { Units } from '@/core/units'
import type { UnitRow } from '@/data/parts'
import type { KitRig } from '@/data/rigs'
import { LinkButton, PageHead, RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { CautionList } from './CautionList'
import { ChainPanel } from './ChainPanel'
import { FactsFields } from './FactsFields'
import { FigurePanel } from './FigurePanel'
import { PartPalette } from './PartPalette'
import { PoseFields } from './PoseFields'
import { ProblemList } from './ProblemList'
import { draftOf } from './rigDraft'
import { usePutting } from './usePutting'
import { useRigSave } from './useRigSave'
import { assemblyOf, useRigDraft } from './useRigDraft'

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

/** Builds a rig: its chain as a chain, its budget under it, what will not work beside it. */
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
  const { draft, changed, settings, assessed, setFacts, setAssembly, fix } = useRigDraft(
    draftOf(rig, freeLetter, units),
    parts,
    service,
    units,
  )
  const [portIndex, setPort] = useState(0)
  const [surroundings, setSurroundings] = useState<Surroundings>('rural')
  const home = `/trials/${trialId}/kit`
  const { action, errors, save } = useRigSave(trialId, rig, draft, units, home)
  useUnsaved(changed && !action.busy)
  const { facts } = draft
  const assembly = assemblyOf(draft, units)
  const at = Math.min(portIndex, assembly.ports.length - 1)
  const placed = placeParts(assembly, parts)
  const port = placed.ports[at]!

  const { put, onDragEnd, sensors } = usePutting({
    parts,
    at,
    port,
    isNew: rig === null,
    powerW: facts.powerW,
    setAssembly,
    setFacts,
  })
  const budgets = assessed?.ports[at]
  return (
    <DndContext sensors={sensors} onDragEnd={onDragEnd} id="rig-builder">
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
      <ChainPanel
        placed={placed}
        portIndex={at}
        budgets={budgets ?? null}
        parts={parts}
        unitRows={unitRows}
        surroundings={surroundings}
        onSurroundings={setSurroundings}
        onPort={setPort}
        onAssembly={setAssembly}
      />
      <Box
        sx={{
          display: 'grid',
          gap: 4,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 5fr) minmax(0, 7fr)' },
        }}
      >
        <PartPalette parts={parts} partsHref={`${home}/parts`} units={units} onPick={(p) => put(p)} />
        <Box sx={{ display: 'grid', gap: 3, alignContent: 'start' }}>
          {budgets && <ProblemList problems={budgets.problems} empty={!isBuilt(assembly)} onFix={fix} />}
          {assessed && settings && (
            <FigurePanel
              {...{ assessed, rules, surroundings, units }}
              portIndex={at}
              powerW={settings.powerW}
            />
          )}
          {settings && (
            <CautionList
              trialId={trialId}
              cautions={cautionsOf(placed, settings, units)}
              read={cautionsRead}
            />
          )}
          <PoseFields
            {...{ assembly, facts, parts, unitRows, units, errors }}
            rig={placed}
            portIndex={at}
            onFacts={setFacts}
            onAssembly={setAssembly}
          />
        </Box>
      </Box>
    </DndContext>
  )
}
