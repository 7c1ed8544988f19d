'use client'

import type { Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import type { PredictionSettings, SitePrediction } from '@/core/reach'
import type { Mark } from '@/core/trial'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

interface Asked {
  worker: TerrainWorker | null
  groundKey: string
  place: Place
  elsewhere: boolean
  marks: Mark[]
  link: Link
  heightsM: readonly [number, number]
  settings: PredictionSettings
}

/** What a base here would do for the marks, at each of two heights of its antenna, worked out by the worker. */
export function useSitePrediction(asked: Asked): Answer<[SitePrediction | null, SitePrediction | null]> {
  const { worker, groundKey, place, elsewhere, marks, link, settings } = asked
  const [lowM, highM] = asked.heightsM
  const { lat, lon } = place
  return useAnswer(
    worker ? [worker, groundKey, lat, lon, elsewhere, marks, link, lowM, highM, settings] : null,
    async ([terrain]) => {
      const [low, high] = await terrain.site({ lat, lon }, elsewhere, marks, link, [lowM, highM], settings)
      return [low ?? null, high ?? null]
    },
    [marks],
  )
}
