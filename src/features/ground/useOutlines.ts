'use client'

import { useEffect, useState } from 'react'
import type { Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import type { OutlinePoint, PredictionSettings } from '@/core/reach'
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

/**
 * The reach to expect of each link round the base, made by the worker; null until it is there, or where it is
 * not wanted.
 */
export function useOutlines(wanted: boolean, asked: Asked): MapOutline[] | null {
  const { worker, base, links, directions, settings, reliability } = asked
  const [found, setFound] = useState<{ key: string; points: OutlinePoint[][] } | null>(null)
  const key = JSON.stringify([asked.groundKey, base, links, directions, settings, reliability])
  useEffect(() => {
    if (!wanted || !worker || !base || links.length === 0) return
    let stale = false
    void worker
      .outlines({ lat: base.lat, lon: base.lon }, links, directions, settings, reliability)
      .then((points) => {
        if (!stale) setFound({ key, points })
      })
    return () => {
      stale = true
    }
    // What is asked is told apart by the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted, worker, key])
  if (!wanted || found?.key !== key) return null
  const looks = looksOf(links.map((l) => l.letter))
  const css = getComputedStyle(document.documentElement)
  return links.map((l, i) => {
    const { hue, dash } = rigLook(looks[i]!)
    return {
      letter: l.letter,
      name: l.name,
      hue: css.getPropertyValue(hue.slice(4, -1)).trim(),
      dash: dash === '' ? [] : dash.split(' ').map(Number),
      points: found.points[i]!,
    }
  })
}
