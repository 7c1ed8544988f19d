import { useState } from 'react'
import type { Place } from '@/core/geo'
import { problem } from '@/core/outcome'
import type { Action } from '@/ui/answers/useAction'
import { whyOf } from '@/ui/answers/useAnswer'
import type { Picture } from '@/ui/map/reliefLayers'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'

const SIGHT_INK: [number, number, number] = [244, 185, 44]
/** What is in sight is looked for this far, m. */
const SIGHT_RADIUS_M = 30_000

/** What is in sight from a place, as a picture over the map and in words; asked for, and put away again. */
export function useSight(worker: TerrainWorker | null, farM: number, action: Action) {
  const [sight, setSight] = useState<{ picture: Picture; words: string } | null>(null)
  const showSight = async (from: Place, heightM: number, name: string) => {
    if (!worker) return
    const found = await worker.sight(from, heightM, farM, SIGHT_RADIUS_M, SIGHT_INK).catch(whyOf)
    if (typeof found === 'string')
      action.refuse(problem('sight', name, `What is in sight could not be worked out: ${found}.`))
    else if (!found) action.refuse(problem('sight', name, 'It stands outside all ground that is known.'))
    else
      setSight({
        picture: found,
        words: `Yellow: in sight from ${name}, ${Math.round(100 * found.landShare)} % of the land.`,
      })
  }
  return { sight, showSight, hideSight: () => setSight(null) }
}
