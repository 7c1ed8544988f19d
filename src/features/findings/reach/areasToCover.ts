import type { AreaNeed, Need } from '@/core/findings'
import { inverse } from '@/core/geo'
import { placesInArea } from '@/core/terrain'
import type { TrialPlan } from '@/core/trial'
import type { AreaRow } from '@/data/areas'
import type { Settings } from '../frame/ruleParams'

/** An area of the ground that somebody wants covered. */
export interface AreaToCover extends AreaNeed {
  id: string
}

const PLACES = 400

/** Areas that are to be covered, by how far their places are from the base; none where the base has no coordinates. */
export function areasToCover(areas: readonly AreaRow[], base: TrialPlan['base']): AreaToCover[] {
  if (!base || base.lat === null || base.lon === null) return []
  const from = { lat: base.lat, lon: base.lon }
  return areas
    .filter((a) => a.kind === 'to cover')
    .map(({ id, name, rings }) => ({
      id,
      name,
      distancesM: [...placesInArea(rings, PLACES), ...rings.flat().map(([lon, lat]) => ({ lat, lon }))]
        .map((p) => Math.round(inverse(from, p).distanceM))
        .sort((a, b) => a - b),
    }))
}

/** What the knobs ask of a rig. */
export const needOf = ({ need, areaId, reliability }: Settings, areas: readonly AreaToCover[]): Need => ({
  ...need,
  reliability,
  area: areas.find((a) => a.id === areaId) ?? null,
})

/** Settings whose need reaches as far as the area that is to be covered: its farthest place must be within reach. */
export function settingsWithArea(settings: Settings, areas: readonly AreaToCover[]): Settings {
  const far = areas.find((a) => a.id === settings.areaId)?.distancesM.at(-1)
  if (far === undefined) return settings
  const { need } = settings
  return { ...settings, need: { ...need, floorM: Math.max(far, need.floorM ?? 0) } }
}
