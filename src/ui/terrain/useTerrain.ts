'use client'

import * as Comlink from 'comlink'
import { useEffect, useState } from 'react'
import type { GridPlace, TerrainApi } from '@/workers/terrain'

export type TerrainWorker = Comlink.Remote<TerrainApi>

/** One worker for the page. */
let worker: TerrainWorker | null = null

function startWorker(): Worker {
  return new Worker(new URL('../../workers/terrain.ts', import.meta.url), { type: 'module' })
}

export function terrainWorker(): TerrainWorker {
  worker ??= Comlink.wrap<TerrainApi>(startWorker())
  return worker
}

/** A worker of one's own, for what may be cancelled: ending it ends the work. */
export function freshTerrainWorker(): { worker: TerrainWorker; end: () => void } {
  const own = startWorker()
  return { worker: Comlink.wrap<TerrainApi>(own), end: () => own.terminate() }
}

/** The worker with the grids loaded that are listed; null until they are, or where there are none. */
export function useTerrain(grids: readonly GridPlace[]): TerrainWorker | null {
  const [ready, setReady] = useState<string | null>(null)
  const key = grids.map((g) => g.id).join()
  useEffect(() => {
    if (key === '') return
    let stale = false
    void terrainWorker()
      .load([...grids])
      .then((n) => {
        if (!stale && n > 0) setReady(key)
      })
    return () => {
      stale = true
    }
    // The grids are told apart by their ids.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  return key !== '' && ready === key ? terrainWorker() : null
}
