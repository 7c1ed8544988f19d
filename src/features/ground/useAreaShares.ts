'use client'

import type { Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import { SURE, type PredictionSettings } from '@/core/reach'
import type { AreaRow } from '@/data/areas'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

interface Asked {
  worker: TerrainWorker | null
  groundKey: string
  place: Place
  link: Link
  heightsM: readonly number[]
  directions: Direction[]
  settings: PredictionSettings
}

type Shares = { share: number; known: number }[]

/** The share of each area that a base here would cover, for each height of its antenna. */
export function useAreaShares(areas: AreaRow[], asked: Asked): Answer<Shares[]> {
  const { worker, place, link, heightsM, directions, settings } = asked
  const ids = areas.map((a) => `${a.id}.${a.revision}`)
  const key = JSON.stringify([asked.groundKey, ids, place, link, heightsM, directions, settings])
  return useAnswer(worker && areas.length > 0 ? [worker, key] : null, ([terrain]) => {
    const raised = (m: number) => ({ ...link, base: { ...link.base, antennaHeightM: m } })
    const rings = areas.map((a) => a.rings)
    const { lat, lon } = place
    return Promise.all(
      heightsM.map((m) => terrain.covered({ lat, lon }, raised(m), directions, settings, SURE, rings)),
    )
  })
}
