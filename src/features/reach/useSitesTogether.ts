'use client'

import type { Place } from '@/core/geo'
import { FINEST } from '@/core/reach/map/mapRaster'
import type { ReachMapAsk } from '@/core/reach/map/reachMap'
import type { OtherSite, SitesTogether } from '@/core/reach/map/sitesTogether'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

/** What other sites would add, worked out by the worker. @param ask of one link */
export function useSitesTogether(
  worker: TerrainWorker | null,
  groundKey: string,
  base: Place,
  radiusM: number,
  ask: Omit<ReachMapAsk, 'every'>,
  sites: readonly (Place & { id: string })[],
  needed: number,
): Answer<SitesTogether> {
  const { settings, areas, routes, ...small } = ask
  const asked: OtherSite[] = sites.map(({ id, lat, lon }) => ({ id, place: { lat, lon } }))
  const told = JSON.stringify([groundKey, base.lat, base.lon, radiusM, small, asked, needed])
  return useAnswer(
    worker && sites.length > 0 ? [worker, settings, areas, routes, told] : null,
    ([w]) =>
      w.sitesTogether({ lat: base.lat, lon: base.lon }, radiusM, { ...ask, every: FINEST }, asked, needed),
    [groundKey, asked.length],
  )
}
