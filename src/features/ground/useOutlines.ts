'use client'

import type { Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import type { OutlinePoint, PredictionSettings } from '@/core/reach'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import type { MapOutline } from '@/ui/map/areaDrawing'
import { looksNow } from '@/ui/theme/looksNow'

interface Asked {
  worker: TerrainWorker | null
  /** Changes with the ground that is loaded. */
  groundKey: string
  base: Place | null
  links: Link[]
  directions: Direction[]
  settings: PredictionSettings
  reliability: number
}

/** The reach to expect of each link round the base, made by the worker; asks nothing where it is not wanted. */
export function useOutlines(wanted: boolean, asked: Asked): Answer<MapOutline[]> {
  const { worker, base, links, directions, settings, reliability } = asked
  const told = JSON.stringify([asked.groundKey, base, links, directions, settings, reliability])
  return useAnswer(
    wanted && worker && base && links.length > 0 ? [worker, base.lat, base.lon, told] : null,
    async ([terrain, lat, lon]) =>
      drawn(links, await terrain.outlines({ lat, lon }, links, directions, settings, reliability)),
  )
}

/** Outlines with the looks of their links. */
function drawn(links: Link[], points: OutlinePoint[][]): MapOutline[] {
  const looks = looksNow(links.map((l) => l.letter))
  return links.map((l, i) => ({ ...looks[i]!, name: l.name, points: points[i]! }))
}
