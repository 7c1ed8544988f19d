'use client'

import { useEffect, useState } from 'react'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import type { DrawnGrid, GridPlace } from '@/workers/terrain'

/** Whether the system is set dark, followed as it changes. */
function useNight(): boolean {
  const [night, setNight] = useState(false)
  useEffect(() => {
    const media = window.matchMedia('(prefers-color-scheme: dark)')
    const follow = () => setNight(media.matches)
    follow()
    media.addEventListener('change', follow)
    return () => media.removeEventListener('change', follow)
  }, [])
  return night
}

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
