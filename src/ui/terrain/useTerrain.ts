'use client'

import * as Comlink from 'comlink'
import { useEffect, useState } from 'react'
import type { CoverArea } from '@/core/terrain'
import type { GridPlace, TerrainApi } from '@/workers/terrain'
import { oneWorker } from '@/ui/worker/oneWorker'
import { whenBroken } from '@/ui/worker/whenBroken'

export type TerrainWorker = Comlink.Remote<TerrainApi>

function startWorker(): Worker {
  return new Worker(new URL('../../workers/terrain.ts', import.meta.url), { type: 'module' })
}

/** One worker for the page. */
const terrainWorker = oneWorker<TerrainApi>(startWorker)

/** A worker of one's own, for what may be cancelled: ending it ends the work. */
export function freshTerrainWorker(): { worker: TerrainWorker; broken: Promise<never>; end: () => void } {
  const own = startWorker()
  return { worker: Comlink.wrap<TerrainApi>(own), broken: whenBroken(own), end: () => own.terminate() }
}

const NONE: never[] = []

/**
 * The worker with the grids loaded that are listed; null until they are, or where there are none; with a key
 * that changes with what is loaded, and why nothing could be, in a clause.
 */
export function useTerrain(
  grids: readonly GridPlace[],
  areas: readonly (CoverArea & { id: string; revision: number })[] = NONE,
): { worker: TerrainWorker | null; key: string; failed: string | null } {
  const [ready, setReady] = useState<string | null>(null)
  const [failed, setFailed] = useState<{ key: string; why: string } | null>(null)
  const key =
    grids.length === 0
      ? ''
      : `${grids.map((g) => g.id).join()} ${areas.map((a) => `${a.id}.${a.revision}`).join()}`
  useEffect(() => {
    if (key === '') return
    let stale = false
    const { worker, broken } = terrainWorker()
    const fail = (e: unknown) => {
      if (!stale) setFailed({ key, why: e instanceof Error ? e.message : 'its worker stopped' })
    }
    worker.load([...grids], [...areas]).then((n) => {
      if (!stale && n > 0) setReady(key)
    }, fail)
    broken.catch(fail)
    return () => {
      stale = true
    }
    // Grids and areas are told apart by their ids.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  const why = failed?.key === key ? failed.why : null
  return { worker: key !== '' && ready === key && !why ? terrainWorker().worker : null, key, failed: why }
}
