'use client'

import { useRef } from 'react'
import type { Units } from '@/core/units'
import { ReachStrip, type StripModel } from '@/ui/strip'
import { TakeAlong } from '@/ui/figures/TakeAlong'

/** The strip with the ways to take it along. */
export function StripFigure({ model, units }: { model: StripModel; units: Units }) {
  const box = useRef<HTMLDivElement>(null)
  return (
    <>
      <div ref={box}>
        <ReachStrip model={model} units={units} title="What was heard, and how far each reaches" />
      </div>
      <TakeAlong box={box} select='svg[role="group"]' title="Reach strip" />
    </>
  )
}
