'use client'

import type { Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import type { OutlinePoint, PredictionSettings } from '@/core/reach'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import type { MapOutline } from '@/ui/map/areaDrawing'
import { looksOf, rigLook } from '@/ui/theme/palette'

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
  const looks = looksOf(links.map((l) => l.letter))
  const css = getComputedStyle(document.documentElement)
  return links.map((l, i) => {
    const { hue, dash } = rigLook(looks[i]!)
    return {
      letter: l.letter,
      name: l.name,
      hue: css.getPropertyValue(hue.slice(4, -1)).trim(),
      dash: dash === '' ? [] : dash.split(' ').map(Number),
      points: points[i]!,
    }
  })
}
