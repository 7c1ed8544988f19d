'use client'

import { useEffect, useState } from 'react'
import type { Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import { SURE, type PredictionSettings } from '@/core/reach'
import type { AreaRow } from '@/data/areas'
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

/**
 * The share of each area that a base here would cover, for each height of its antenna; null until the worker has it.
 */
export function useAreaShares(areas: AreaRow[], asked: Asked): Shares[] | null {
  const { worker, place, link, heightsM, directions, settings } = asked
  const [found, setFound] = useState<{ key: string; shares: Shares[] } | null>(null)
  const ids = areas.map((a) => `${a.id}.${a.revision}`)
  const key = JSON.stringify([asked.groundKey, ids, place, link, heightsM, directions, settings])
  useEffect(() => {
    if (!worker || areas.length === 0) return
    let stale = false
    const raised = (m: number) => ({ ...link, base: { ...link.base, antennaHeightM: m } })
    const rings = areas.map((a) => a.rings)
    const { lat, lon } = place
    void Promise.all(
      heightsM.map((m) => worker.covered({ lat, lon }, raised(m), directions, settings, SURE, rings)),
    ).then((shares) => {
      if (!stale) setFound({ key, shares })
    })
    return () => {
      stale = true
    }
    // What is asked is told apart by the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [worker, key])
  return found?.key === key ? found.shares : null
}
