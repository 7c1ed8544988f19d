'use client'

import type { Place } from '@/core/geo'
import { FINEST } from '@/core/reach/map/mapRaster'
import type { MapLayer, ReachMapAsk } from '@/core/reach/map/reachMap'
import type { OtherSite, SitesTogether } from '@/core/reach/map/sitesTogether'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

/** A question about the base and other sites. */
type Asked = readonly [
  worker: TerrainWorker | null,
  groundKey: string,
  base: Place,
  radiusM: number,
  /** Of one link. */
  ask: Omit<ReachMapAsk, 'every'>,
  sites: readonly (Place & { id: string })[],
]

/** What the worker makes of a base and sites together. @param beside what it is asked with, where that may change */
function useOfSites<T>(
  [worker, groundKey, base, radiusM, ask, sites]: Asked,
  wanted: boolean,
  beside: number | null,
  work: (worker: TerrainWorker, base: Place, ask: ReachMapAsk, sites: OtherSite[]) => Promise<T>,
): Answer<T> {
  const { settings, areas, routes, ...small } = ask
  const { lat, lon } = base
  const asked = sites.map((s): OtherSite => ({ id: s.id, place: { lat: s.lat, lon: s.lon } }))
  const told = JSON.stringify([groundKey, lat, lon, radiusM, small, asked, beside])
  return useAnswer(
    worker && wanted && sites.length > 0 ? [worker, settings, areas, routes, told] : null,
    ([w]) => work(w, { lat, lon }, { ...ask, every: FINEST }, asked),
    [groundKey, asked.length],
  )
}

/** What other sites would add. */
export const useSitesTogether = (of: Asked, needed: number): Answer<SitesTogether> =>
  useOfSites(of, true, needed, (w, base, ask, sites) => w.sitesTogether(base, of[3], ask, sites, needed))

/** What is covered from the base and all sites together, to be drawn, once that is asked for. */
export const useTogetherMap = (of: Asked, wanted: boolean): Answer<MapLayer[]> =>
  useOfSites(of, wanted, null, (w, base, ask, sites) => w.reachTogether(base, of[3], ask, sites))
