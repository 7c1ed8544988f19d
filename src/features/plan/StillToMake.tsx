'use client'

import { useMemo } from 'react'
import type { PlanGround } from '@/core/reach'
import { foldEntries, type TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import { ReachStrip, stripModel } from '@/ui/strip'

interface Props {
  draft: TrialPlan
  ground: PlanGround | null
  units: Units
}

const EMPTY_LOG = foldEntries([])

/** Every check of the plan, along the ground. */
export function StillToMake({ draft, ground, units }: Props) {
  const model = useMemo(
    () => stripModel(draft, draft.marks, EMPTY_LOG, new Map(), null, ground),
    [draft, ground],
  )
  return <ReachStrip model={model} units={units} title="Every check still to make" />
}
