'use client'

import { useState } from 'react'
import { COARSEST, FINEST } from '@/core/reach/map/mapRaster'
import type { ReachMap, ReachMapAsk } from '@/core/reach/map/reachMap'
import { oneAtATime } from '@/ui/answers/oneAtATime'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { asMapBase, type MapPlace } from './mapPlace'

export interface MapQuestion extends Omit<ReachMapAsk, 'every'> {
  worker: TerrainWorker | null
  /** Changes with the ground that is loaded. */
  groundKey: string
  base: Omit<MapPlace, 'name'> | null
  radiusM: number
}

/** Every so many cells: at once, a little later, and as fine as it gets. */
const STAGES = [COARSEST, 4, FINEST] as const

/**
 * The map of reach, coarse within a tenth of a second and finer by itself; while a slider is drawn only the newest
 * question is put, once the worker is free.
 */
export function useReachMap(question: MapQuestion): {
  map: ReachMap | null
  finest: boolean
  failed: string | null
} {
  const { worker, groundKey, base, radiusM, ...ask } = question
  const [inTurn] = useState(oneAtATime)
  const ready = worker && base && ask.links.length > 0
  // What is large is told apart by itself: a slider asks many times a second.
  const { settings, areas, routes, ...small } = ask
  const told = JSON.stringify([groundKey, base, radiusM, small])
  const keyOf = (every: number) => (ready ? ([worker, settings, areas, routes, told, every] as const) : null)
  const standsFor = [groundKey, JSON.stringify([base, ask.links.map((l) => l.id)])]
  const stage = (every: number) => (_: unknown, signal: AbortSignal) =>
    inTurn(signal, () => {
      // What is first to be seen is the map; areas and ways out take longer, and come with the next.
      const first = every === STAGES[0] ? { areas: [], routes: [] } : {}
      return worker!.reachMap(asMapBase(base!), radiusM, { ...ask, ...first, every })
    })
  const coarse = useAnswer(keyOf(STAGES[0]), stage(STAGES[0]), standsFor)
  const middle = useAnswer(after(coarse, keyOf(STAGES[1])), stage(STAGES[1]))
  const fine = useAnswer(after(middle, keyOf(STAGES[2])), stage(STAGES[2]))
  return {
    map: fine.value ?? middle.value ?? coarse.value,
    finest: fine.at === 'there',
    failed: coarse.at === 'failed' ? coarse.why : null,
  }
}

/** A key once the answer before it is there. */
const after = <K>(before: Answer<unknown>, key: K | null): K | null => (before.at === 'there' ? key : null)
