import { inverse, placedOf, type Place } from '@/core/geo'
import type { SiteRow } from '@/data/ground'
import type { ReachSite } from './SitesPart'

/** Sites farther from the base than this are another matter, m, and no more than so many are tried. */
const [FAR_M, MOST] = [60_000, 8]

/** Candidates and relays about a base, the nearest first, and how many are left out. */
export function nearSites(base: Place, sites: readonly SiteRow[]): { sites: ReachSite[]; leftOut: number } {
  const ours = placedOf(sites).flatMap(({ id, name, role, lat, lon }): (ReachSite & { awayM: number })[] =>
    role === 'candidate' || role === 'relay'
      ? [{ id, name, role, lat, lon, awayM: inverse(base, { lat, lon }).distanceM }]
      : [],
  )
  const near = ours.filter((s) => s.awayM <= FAR_M).sort((a, b) => a.awayM - b.awayM)
  return { sites: near.slice(0, MOST), leftOut: ours.length - Math.min(near.length, MOST) }
}
