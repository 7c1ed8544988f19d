'use client'

import * as Comlink from 'comlink'
import { useEffect, useState } from 'react'
import type { CoverArea } from '@/core/terrain'
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

const NONE: never[] = []

/** The worker with the grids loaded that are listed; null until they are, or where there are none; with a key that changes with what is loaded. */
export function useTerrain(
  grids: readonly GridPlace[],
  areas: readonly (CoverArea & { id: string; revision: number })[] = NONE,
): { worker: TerrainWorker | null; key: string } {
  const [ready, setReady] = useState<string | null>(null)
  const key =
    grids.length === 0
      ? ''
      : `${grids.map((g) => g.id).join()} ${areas.map((a) => `${a.id}.${a.revision}`).join()}`
  useEffect(() => {
    if (key === '') return
    let stale = false
    void terrainWorker()
      .load([...grids], [...areas])
      .then((n) => {
        if (!stale && n > 0) setReady(key)
      })
    return () => {
      stale = true
    }
    // Grids and areas are told apart by their ids.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  return { worker: key !== '' && ready === key ? terrainWorker() : null, key }
}
