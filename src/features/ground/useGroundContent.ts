'use client'

import { useMemo } from 'react'
import { placedOf, type Place } from '@/core/geo'
import type { MarkPrediction } from '@/core/reach'
import type { Units } from '@/core/units'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { MapContent, MarkKinds } from '@/ui/map/mapDrawing'

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
  sites: SiteRow[],
  units: Units,
): MapContent {
  return useMemo(
    () => ({
      base,
      legs: legs.filter((l) => l.track.length > 1).map((l) => ({ name: l.name, track: l.track })),
      marks: placed,
      sites: placedOf(sites),
      farthestM: Math.max(500, ...legs.flatMap((l) => l.marks).map((m) => m.distanceM)),
      units,
    }),
    [base, legs, placed, sites, units],
  )
}

/** How the marks are seen from the base. */
export const useMarkKinds = (predictions: readonly MarkPrediction[]): MarkKinds =>
  useMemo(() => new Map(predictions.map((p) => [p.mark.id, p.kind])), [predictions])
