'use client'

import { useMemo } from 'react'
import type { Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import { marksOnGround, type MarkPrediction, type PredictionSettings } from '@/core/reach'
import type { Mark } from '@/core/trial'
import { useAnswer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

export interface MarksPrediction {
  /** Height of the base's ground, m; NaN where it is not known, null where nothing is. */
  baseM: number | null
  predictions: MarkPrediction[]
}

/**
 * What to expect at each mark, worked out by the worker; until it has answered, what was known of the same
 * marks, or the marks with nothing known of them. With why it could not be worked out.
 */
export function usePredictions(
  worker: TerrainWorker | null,
  /** Changes with the ground that is loaded. */
  groundKey: string,
  base: Place | null,
  marks: Mark[],
  links: Link[],
  settings: PredictionSettings,
): MarksPrediction & { failed: string | null } {
  const answer = useAnswer(
    worker && base && marks.length > 0
      ? [worker, base.lat, base.lon, groundKey, marks, links, settings]
      : null,
    ([terrain, lat, lon]): Promise<MarksPrediction> => terrain.marks({ lat, lon }, marks, links, settings),
    [marks],
  )
  const failed = answer.at === 'failed' ? answer.why : null
  const unknown = useMemo(
    () => ({ baseM: null, predictions: marksOnGround(marks, NONE, [], settings) }),
    [marks, settings],
  )
  return { ...(answer.value ?? unknown), failed }
}

const NONE = new Map<string, never>()
