'use client'

import type { Place } from '@/core/geo'
import type { NextOnMap } from '@/core/reach/map/nextOnMap'
import type { ReachMapAsk } from '@/core/reach/map/reachMap'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

interface Asked extends Omit<ReachMapAsk, 'every'> {
  groundKey: string
  base: Place
  radiusM: number
  marks: readonly (Place & { id: string })[]
}

/** The places are read from the map in between. */
const EVERY = 4

/** What the next check would best be; asked once the map is as fine as it gets. */
export function useNextBest(
  worker: TerrainWorker | null,
  asked: Asked,
  reportDb: number | null,
): Answer<NextOnMap[]> {
  const { base, radiusM, marks, groundKey, ...ask } = asked
  const { settings, areas, routes, ...small } = ask
  const told = JSON.stringify([groundKey, base, radiusM, small, reportDb])
  return useAnswer(worker ? [worker, settings, areas, routes, marks, told] : null, ([w]) =>
    w.nextBest({ lat: base.lat, lon: base.lon }, radiusM, { ...ask, every: EVERY }, marks, reportDb),
  )
}
