'use client'

import { DndContext } from '@dnd-kit/core'
import Box from '@mui/material/Box'
import { useState } from 'react'
import { cautionsOf, isBuilt, type Assembly, type Part, type PlacedRig, type RuleSet } from '@/core/kit'
import type { Surroundings } from '@/core/rf'
import type { Units } from '@/core/units'
import type { UnitRow } from '@/data/parts'
import { CautionList } from './CautionList'
import { ChainPanel } from './ChainPanel'
import { FigurePanel } from './FigurePanel'
import { PartPalette } from './PartPalette'
import { PoseFields } from './PoseFields'
import { ProblemList } from './ProblemList'
import { usePutting } from './usePutting'
import type { HeldDraft } from './useRigDraft'

interface Props {
  trialId: string
  partsHref: string
  held: HeldDraft
  assembly: Assembly
  placed: PlacedRig
  /** The port that is worked on. */
  at: number
  isNew: boolean
  parts: Part[]
  unitRows: UnitRow[]
  rules: RuleSet
  cautionsRead: string[]
  units: Units
  errors: Record<string, string>
  onPort: (index: number) => void
}

/** What a rig is built of: its chain with the budget under it, the parts to pick from, what follows from them. */
export function ChainWork({
  trialId,
  partsHref,
  held,
  assembly,
  placed,
  at,
  isNew,
  parts,
  unitRows,
  rules,
  cautionsRead,
  units,
  errors,
  onPort,
}: Props) {
  const { draft, settings, assessed, setFacts, setAssembly, fix } = held
  const { facts } = draft
  const [surroundings, setSurroundings] = useState<Surroundings>('rural')
  const port = placed.ports[at]!
  const { put, onDragEnd, sensors } = usePutting({
    parts,
    at,
    port,
    isNew,
    powerW: facts.powerW,
    setAssembly,
    setFacts,
  })
  const budgets = assessed?.ports[at]
  return (
    <DndContext sensors={sensors} onDragEnd={onDragEnd} id="rig-builder">
      <ChainPanel
        placed={placed}
        portIndex={at}
        budgets={budgets ?? null}
        parts={parts}
        unitRows={unitRows}
        surroundings={surroundings}
        onSurroundings={setSurroundings}
        onPort={onPort}
        onAssembly={setAssembly}
      />
      <Box
        sx={{
          display: 'grid',
          gap: 4,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 5fr) minmax(0, 7fr)' },
        }}
      >
        <PartPalette parts={parts} partsHref={partsHref} units={units} onPick={(p) => put(p)} />
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
