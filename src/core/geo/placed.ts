import type { Place } from './geodesic'

interface MaybePlaced {
  lat: number | null
  lon: number | null
}

/** Those of things that have coordinates, known to have them. */
export const placedOf = <T extends MaybePlaced>(things: readonly T[]): (T & Place)[] =>
  things.filter((t): t is T & Place => t.lat !== null && t.lon !== null)

/** A site's name and place; null where it is none, or has none. */
export function placedSite(site: (MaybePlaced & { name: string }) | null): (Place & { name: string }) | null {
  const [found] = placedOf(site ? [site] : [])
  return found ? { lat: found.lat, lon: found.lon, name: found.name } : null
}
