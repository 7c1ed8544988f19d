'use client'

import { useEffect, useState } from 'react'
import type { Place } from '@/core/geo'
import type { GroundProfile } from '@/core/terrain'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

/** The ground from a place to each of several, by their ids; made anew when the places change. */
export function useProfiles(
  worker: TerrainWorker | null,
  from: Place | null,
  to: readonly (Place & { id: string })[],
): Map<string, GroundProfile> {
  const [profiles, setProfiles] = useState<{ key: string; map: Map<string, GroundProfile> }>(EMPTY)
  const key = from ? `${from.lat} ${from.lon} ${to.map((t) => `${t.id} ${t.lat} ${t.lon}`).join()}` : ''
  useEffect(() => {
    if (!worker || !from || to.length === 0) return
    let stale = false
    void Promise.all(to.map((t) => worker.profile(from, { lat: t.lat, lon: t.lon }))).then((all) => {
      if (stale) return
      const found = all.flatMap((p, i) => (p ? [[to[i]!.id, p] as const] : []))
      setProfiles({ key, map: new Map(found) })
    })
    return () => {
      stale = true
    }
    // The places are told apart by the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [worker, key])
  return profiles.key === key ? profiles.map : EMPTY.map
}

const EMPTY = { key: '', map: new Map<string, GroundProfile>() }
