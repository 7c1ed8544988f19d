'use client'

import { useEffect, useState } from 'react'
import { useNight } from '@/ui/theme/useNight'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import type { DrawnGrid, GridPlace } from '@/workers/terrain'

/** Relief and contours of the grids, drawn by the worker. */
export function useGroundDrawing(worker: TerrainWorker | null, grids: readonly GridPlace[]): DrawnGrid[] {
  const [drawn, setDrawn] = useState<DrawnGrid[]>([])
  const night = useNight()
  const ids = grids.map((g) => g.id).join()
  useEffect(() => {
    if (!worker) return
    let stale = false
    void Promise.all(ids.split(',').map((id) => worker.draw(id, night))).then((all) => {
      if (!stale) setDrawn(all.filter((d): d is DrawnGrid => d !== null))
    })
    return () => {
      stale = true
    }
  }, [worker, ids, night])
  return worker ? drawn : NOTHING
}

const NOTHING: DrawnGrid[] = []
