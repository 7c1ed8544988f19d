import { useMemo } from 'react'
import { placedOf } from '@/core/geo'
import type { AreaRow } from '@/data/areas'
import type { LegWithMarks } from '@/data/ground'

/** What of a trial lies on the map of reach: ground to be covered, ways out, and marks that have coordinates. */
export function useOnMap(areas: readonly AreaRow[], legs: readonly LegWithMarks[]) {
  return useMemo(
    () => ({
      areas: areas.filter((a) => a.kind === 'to cover').map(({ id, name, rings }) => ({ id, name, rings })),
      routes: legs.filter((l) => l.track.length > 1).map((l) => ({ id: l.id, name: l.name, track: l.track })),
      marks: legs.flatMap((l) => placedOf(l.marks)),
    }),
    [areas, legs],
  )
}
