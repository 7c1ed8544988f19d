import { useMemo } from 'react'
import { usedGround } from '@/core/offered'
import type { Rings } from '@/core/terrain'
import type { TrialGround } from '@/data/trialGround'
import type { MapArea } from '@/ui/map/areaDrawing'
import type { Takeable } from './useBringGround'

/** Of the ground that is kept, what counts in the trial. */
export const useUsedGround = (ground: TrialGround) => useMemo(() => usedGround(ground), [ground])

function ringsOf({ west, east, south, north }: Takeable['about']['bounds']): Rings {
  return [
    [
      [west, south],
      [east, south],
      [east, north],
      [west, north],
      [west, south],
    ],
  ]
}

/** Where files lie that were looked at and are not taken yet. */
export function useExtents(looked: readonly Takeable[]): MapArea[] {
  return useMemo(
    () =>
      looked.map(({ name, about }) => ({ id: name, name, kind: 'looked at', rings: ringsOf(about.bounds) })),
    [looked],
  )
}
