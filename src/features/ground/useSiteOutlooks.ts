'use client'

import { useEffect, useState } from 'react'
import type { Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import type { PredictionSettings, SiteOutlook } from '@/core/reach'
import type { Mark } from '@/core/trial'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

interface Asked {
  worker: TerrainWorker | null
  groundKey: string
  place: Place
  marks: Mark[]
  link: Link
  heightsM: readonly [number, number]
  settings: PredictionSettings
}

const NONE: [null, null] = [null, null]

/** What a base here would do for the marks, at each of two heights of its antenna, worked out by the worker. */
export function useSiteOutlooks(asked: Asked): [SiteOutlook | null, SiteOutlook | null] {
  const { worker, groundKey, place, marks, link, settings } = asked
  const [lowM, highM] = asked.heightsM
  const { lat, lon } = place
  const [found, setFound] = useState<{
    marks: Mark[]
    value: [SiteOutlook | null, SiteOutlook | null]
  } | null>(null)
  useEffect(() => {
    if (!worker) return
    let stale = false
    void worker.site({ lat, lon }, marks, link, [lowM, highM], settings).then(([low, high]) => {
      if (!stale) setFound({ marks, value: [low ?? null, high ?? null] })
    })
    return () => {
      stale = true
    }
  }, [worker, groundKey, lat, lon, marks, link, lowM, highM, settings])
  return worker && found?.marks === marks ? found.value : NONE
}
