import { turnDeg } from '@/core/geo'
import type { BodyByKind } from '../kept'
import { declinationAt, trueOf } from './compass'
import type { Bearing } from './fix'

export type TakenBearing = BodyByKind['bearings']['bearings'][number]

/** How a bearing is taken, and how far it is usually off (one standard deviation, degrees), as a start. */
export const WAYS_TO_TAKE: readonly {
  id: TakenBearing['way']
  name: string
  usualDeg: number
  why: string
}[] = [
  { id: 'peak', name: 'Loudest', usualDeg: 10, why: 'the antenna points where it hears best' },
  { id: 'null', name: 'Faintest', usualDeg: 4, why: 'a null points at it, and its side is known' },
  {
    id: 'loop',
    name: 'Loop, either way',
    usualDeg: 4,
    why: 'a null along a line: it may be ahead or behind',
  },
  { id: 'shadow', name: 'Body’s shadow', usualDeg: 15, why: 'turned until it is faintest: it is behind you' },
]

/**
 * Bearings as they were taken, made true: by the declination of their place and day where they are of a compass, turned
 * about where the body was in between.
 * @param day YYYY-MM-DD
 */
export function trueBearings(taken: readonly TakenBearing[], day: string): Bearing[] {
  const noon = new Date(`${day}T12:00:00Z`)
  return taken
    .filter((t) => !t.left)
    .map(({ id, name, lat, lon, bearingDeg, compass, way, sdDeg }) => {
      const read = compass ? trueOf(bearingDeg, declinationAt({ lat, lon }, noon).deg) : turnDeg(bearingDeg)
      return {
        ...{ id, name, lat, lon, sdDeg, bothWays: way === 'loop' },
        bearingDeg: way === 'shadow' ? turnDeg(read + 180) : read,
      }
    })
}
