'use client'

import { useEffect, useState } from 'react'
import type { Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import { marksOnGround, type MarkOutlook, type PredictionSettings } from '@/core/reach'
import type { Mark } from '@/core/trial'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

export interface MarksOutlook {
  /** Height of the base's ground, m; NaN where it is not known, null where nothing is. */
  baseM: number | null
  outlooks: MarkOutlook[]
}

/**
 * What to expect at each mark, worked out by the worker; until it has answered, the marks with nothing known of them.
 */
export function useOutlooks(
  worker: TerrainWorker | null,
  /** Changes with the ground that is loaded. */
  groundKey: string,
  base: Place | null,
  marks: Mark[],
  links: Link[],
  settings: PredictionSettings,
): MarksOutlook {
  const [found, setFound] = useState<{ marks: Mark[]; value: MarksOutlook } | null>(null)
  useEffect(() => {
    if (!worker || !base || marks.length === 0) return
    let stale = false
    void worker.marks({ lat: base.lat, lon: base.lon }, marks, links, settings).then((value) => {
      if (!stale) setFound({ marks, value })
    })
    return () => {
      stale = true
    }
  }, [worker, groundKey, base, marks, links, settings])
  // What was known of the same marks stands until the new is there.
  if (worker && found?.marks === marks) return found.value
  return { baseM: null, outlooks: marksOnGround(marks, NONE, [], settings) }
}

const NONE = new Map<string, never>()
