'use client'

import type * as Comlink from 'comlink'
import type { CoverArea } from '@/core/terrain'
import type { GridPlace, TerrainApi } from '@/workers/terrain'
import { guarded } from '@/ui/answers/guarded'
import { oneWorker } from '@/ui/answers/oneWorker'
import { useAnswer } from '@/ui/answers/useAnswer'

export type TerrainWorker = Comlink.Remote<TerrainApi>

function startWorker(): Worker {
  return new Worker(new URL('../../workers/terrain.ts', import.meta.url), { type: 'module' })
}

/** One worker for the page. */
const terrainWorker = oneWorker<TerrainApi>(startWorker)

/** A worker of one's own, for what may be cancelled: ending it ends the work. */
export const freshTerrainWorker = () => guarded<TerrainApi>(startWorker())

const NONE: never[] = []

/**
 * The worker with the grids loaded that are listed; null until they are, or where there are none; with a key
 * that changes with what is loaded, and why nothing could be, in a clause.
 */
export function useTerrain(
  grids: readonly GridPlace[],
  areas: readonly (CoverArea & { id: string; revision: number })[] = NONE,
): { worker: TerrainWorker | null; key: string; failed: string | null } {
  const key =
    grids.length === 0
      ? ''
      : `${grids.map((g) => g.id).join()} ${areas.map((a) => `${a.id}.${a.revision}`).join()}`
  const answer = useAnswer(key === '' ? null : [key], async () => {
    const { worker } = terrainWorker()
    return { worker, grids: await worker.load([...grids], [...areas]) }
  })
  // The one that was loaded: where it breaks, its calls say so.
  const loaded = answer.at === 'there' && answer.value.grids > 0 ? answer.value.worker : null
  return { worker: loaded, key, failed: answer.at === 'failed' ? answer.why : null }
}
