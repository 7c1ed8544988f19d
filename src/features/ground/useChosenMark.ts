import { useState } from 'react'
import { inverse, snapToTrack, type Place } from '@/core/geo'
import type { LegWithMarks } from '@/data/ground'
import type { Action } from '@/ui/answers/useAction'
import { putMark } from './actions'
import type { usePlacedMarks } from './useGroundContent'

/** A mark is picked by a click no farther off, m. */
const PICKED_M = 60
/** A mark dragged no farther from its way than this is snapped to it, m. */
const SNAP_M = 150

interface Given {
  placed: ReturnType<typeof usePlacedMarks>
  legs: LegWithMarks[]
  snap: boolean
  action: Action
}

/** The mark or the place that is looked at, and marks that are moved. */
export function useChosenMark({ placed, legs, snap, action }: Given) {
  const [chosen, setChosen] = useState<{ id: string | null; name: string; place: Place } | null>(null)
  const pick = (place: Place) => {
    const near = placed.map((m) => ({ m, off: inverse(m, place).distanceM })).sort((a, b) => a.off - b.off)[0]
    setChosen(
      near && near.off < PICKED_M
        ? { id: near.m.id, name: near.m.name, place: near.m }
        : { id: null, name: 'the place picked', place },
    )
  }
  const moveMark = async (markId: string, to: Place) => {
    const leg = legs.find((l) => l.marks.some((m) => m.id === markId))
    const snapped = snap && leg ? snapToTrack(leg.track, to) : null
    const on = snapped && snapped.offM <= SNAP_M ? snapped : null
    await action.run(() => putMark({ markId, place: on?.place ?? to, alongM: on?.alongM ?? null }))
  }
  const choose = (id: string) => {
    const m = placed.find((p) => p.id === id)
    if (m) setChosen({ id, name: m.name, place: m })
  }
  return { chosen, pick, choose, moveMark }
}
