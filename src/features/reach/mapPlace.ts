import type { Place } from '@/core/geo'
import type { MapBase } from '@/workers/reachMaps'

/** What the map is drawn about: the base of the trial, or another site. */
export interface MapPlace extends Place {
  name: string
  /** Of a site that is not the trial's base. */
  from?: string
}

/** It as the worker is asked about it. */
export const asMapBase = ({ lat, lon, from }: Omit<MapPlace, 'name'>): MapBase => ({
  place: { lat, lon },
  ...(from === undefined ? {} : { from }),
})
