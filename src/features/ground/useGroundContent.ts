'use client'

import { useMemo } from 'react'
import { placedOf, type Place } from '@/core/geo'
import type { MarkPrediction } from '@/core/reach'
import type { Units } from '@/core/units'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { MapContent } from '@/ui/map/mapDrawing'

export interface PlacedMark extends Place {
  id: string
  name: string
}

/** The marks that have coordinates. */
export function usePlacedMarks(legs: LegWithMarks[]): PlacedMark[] {
  return useMemo(
    () => legs.flatMap((l) => placedOf(l.marks)).map(({ id, name, lat, lon }) => ({ id, name, lat, lon })),
    [legs],
  )
}

/** What the map draws of the trial. */
export function useGroundContent(
  base: (Place & { name: string }) | null,
  legs: LegWithMarks[],
  placed: PlacedMark[],
  predictions: MarkPrediction[],
  sites: SiteRow[],
  units: Units,
): MapContent {
  return useMemo(
    () => ({
      base,
      legs: legs.filter((l) => l.track.length > 1).map((l) => ({ name: l.name, track: l.track })),
      marks: placed.map((m) => ({ ...m, kind: predictions.find((o) => o.mark.id === m.id)?.kind ?? null })),
      sites: placedOf(sites),
      farthestM: Math.max(500, ...legs.flatMap((l) => l.marks).map((m) => m.distanceM)),
      units,
    }),
    [base, legs, placed, predictions, sites, units],
  )
}
