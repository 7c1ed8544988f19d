import { useMemo, useState } from 'react'
import type { Place } from '@/core/geo'
import type { SiteRow } from '@/data/ground'
import type { MapPlace } from './mapPlace'
import { nearSites } from './nearSites'

/** The trial's own base, and all bases together, beside the ids of sites. */
const OWN = 'own'
const ALL = 'all'

/** The bases that the map can be drawn about: the trial's own, other sites near it, or all of them. */
export function useBases(own: Place & { name: string }, rows: SiteRow[]) {
  const near = useMemo(() => nearSites(own, rows), [own, rows])
  const [picked, setFrom] = useState(OWN)
  const other = near.sites.find((s) => s.id === picked)
  const together = picked === ALL && near.sites.length > 0
  const base: MapPlace = other ? { name: other.name, lat: other.lat, lon: other.lon, from: other.id } : own
  const all = { id: ALL, name: `all ${near.sites.length + 1} together` }
  return {
    ...near,
    base,
    isOther: other !== undefined,
    together,
    fromId: other?.id ?? (together ? ALL : OWN),
    setFrom,
    choices: [{ id: OWN, name: own.name }, ...near.sites, ...(near.sites.length > 0 ? [all] : [])],
  }
}
