'use client'

import type { Place } from '@/core/geo'
import { FINEST } from '@/core/reach/map/mapRaster'
import type { MapLayer, ReachMapAsk } from '@/core/reach/map/reachMap'
import type { OtherSite, SitesTogether } from '@/core/reach/map/sitesTogether'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

type Asked = readonly [
  worker: TerrainWorker | null,
  groundKey: string,
  base: Place,
  radiusM: number,
  /** Of one link. */
  ask: Omit<ReachMapAsk, 'every'>,
  sites: readonly (Place & { id: string })[],
]

const placesOf = (sites: Asked[5]): OtherSite[] =>
  sites.map(({ id, lat, lon }) => ({ id, place: { lat, lon } }))

/** What other sites would add, worked out by the worker. */
export function useSitesTogether(...question: [...Asked, needed: number]): Answer<SitesTogether> {
  const [worker, groundKey, base, radiusM, ask, sites, needed] = question
  const { settings, areas, routes, ...small } = ask
  const asked = placesOf(sites)
  const told = JSON.stringify([groundKey, base.lat, base.lon, radiusM, small, asked, needed])
  return useAnswer(
    worker && sites.length > 0 ? [worker, settings, areas, routes, told] : null,
    ([w]) =>
      w.sitesTogether({ lat: base.lat, lon: base.lon }, radiusM, { ...ask, every: FINEST }, asked, needed),
    [groundKey, asked.length],
  )
}

/** What is covered from the base and all sites together, to be drawn, once that is asked for. */
export function useTogetherMap(...question: [...Asked, wanted: boolean]): Answer<MapLayer[]> {
  const [worker, groundKey, base, radiusM, ask, sites, wanted] = question
  const { settings, areas, routes, ...small } = ask
  const asked = placesOf(sites)
  const told = JSON.stringify([groundKey, base.lat, base.lon, radiusM, small, asked])
  return useAnswer(
    worker && wanted ? [worker, settings, areas, routes, told] : null,
    ([w]) => w.reachTogether({ lat: base.lat, lon: base.lon }, radiusM, { ...ask, every: FINEST }, asked),
    [groundKey, asked.length],
  )
}
