import pointInPolygon from 'point-in-polygon-hao'
import type { Place } from '@/core/geo'

/** What stands on a piece of ground, from bare to built up. */
export const COVER_KINDS = ['open', 'scattered', 'suburb', 'town', 'wood'] as const
export type CoverKind = (typeof COVER_KINDS)[number]

/** Representative heights of what stands there, m: ITU-R P.2108, those of 3.1; scattered trees and houses by P.452. */
export const COVER_HEIGHT_M: Record<CoverKind, number> = {
  open: 0,
  scattered: 4,
  suburb: 10,
  town: 20,
  wood: 15,
}

/**
 * Corners as GeoJSON has them: [longitude, latitude], first and last the same; the first ring is the outline,
 * others are holes.
 */
export type Rings = [number, number][][]

export interface CoverArea {
  kind: CoverKind
  /** Of what stands there, m. */
  heightM: number
  rings: Rings
}

/** What stands at a place. */
export interface CoverAt {
  kind: CoverKind
  heightM: number
}

interface Prepared extends CoverArea {
  box: [west: number, south: number, east: number, north: number]
}

/** Areas made ready for being asked about many places. */
export interface Cover {
  areas: readonly Prepared[]
}

/** The box about an outline, degrees: west, south, east, north. */
export function boxOf(rings: Rings): Prepared['box'] {
  let [west, south, east, north] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const [lon, lat] of rings[0] ?? []) {
    west = Math.min(west, lon)
    east = Math.max(east, lon)
    south = Math.min(south, lat)
    north = Math.max(north, lat)
  }
  return [west, south, east, north]
}

/** Whether a place lies in an area or on its edge; holes are outside. */
export function inArea(rings: Rings, { lat, lon }: Place): boolean {
  return pointInPolygon([lon, lat], rings) !== false
}

export function coverOf(areas: readonly CoverArea[]): Cover {
  return { areas: areas.map((a) => ({ ...a, box: boxOf(a.rings) })) }
}

/** What stands at a place; null where no area says. Where areas overlap, the last one drawn stands. */
export function coverAt({ areas }: Cover, place: Place): CoverAt | null {
  for (let i = areas.length - 1; i >= 0; i--) {
    const { box, rings, kind, heightM } = areas[i]!
    if (place.lon < box[0] || place.lon > box[2] || place.lat < box[1] || place.lat > box[3]) continue
    if (inArea(rings, place)) return { kind, heightM }
  }
  return null
}

/** Places spread evenly over an area, about as many as asked for, never none. */
export function placesInArea(rings: Rings, about: number): Place[] {
  const [west, south, east, north] = boxOf(rings)
  const narrow = Math.cos((((south + north) / 2) * Math.PI) / 180)
  const found = (steps: number): Place[] => {
    const step = Math.max((east - west) * narrow, north - south) / steps
    const places: Place[] = []
    for (let lat = south + step / 2; lat < north; lat += step)
      for (let lon = west + step / narrow / 2; lon < east; lon += step / narrow)
        if (inArea(rings, { lat, lon })) places.push({ lat, lon })
    return places
  }
  // A slender area fills little of its box: finer until there are enough.
  for (let steps = Math.ceil(Math.sqrt(about)); steps <= 512; steps *= 2) {
    const places = found(steps)
    if (places.length >= about / 2) return places
  }
  const [lon, lat] = rings[0]![0]!
  return [{ lat, lon }]
}
