import { inverse, type Place } from '@/core/geo'
import { placeOfBase, type Mark } from '@/core/trial'
import type { Position, PositionSource } from './positionSource'

/** The way to the mark from where one stands. */
export interface Guidance {
  distanceM: number
  bearingDeg: number
  /** At the pace of now, or of walking; null when already there. */
  minutes: number | null
  arrived: boolean
}

/** One is at a mark within this, m, or within the receiver's own accuracy. */
const NEAR_M = 25
/** Slower than this one stands, m/s; walking pace is reckoned instead. */
const STANDING_MS = 0.4
const WALKING_MS = 1.2

/** The way to a mark. Null where either has no place. */
export function guideTo(mark: Pick<Mark, 'lat' | 'lon'> | null, position: Position | null): Guidance | null {
  if (!mark || mark.lat === null || mark.lon === null || !position) return null
  const { distanceM, bearingDeg } = inverse(position, { lat: mark.lat, lon: mark.lon })
  const arrived = distanceM <= Math.max(NEAR_M, Math.min(100, position.accuracyM ?? 0))
  const pace = position.speedMs !== null && position.speedMs > STANDING_MS ? position.speedMs : WALKING_MS
  return { distanceM, bearingDeg, minutes: arrived ? null : distanceM / pace / 60, arrived }
}

/** Where the base lies from here, or from the mark where there is no position. */
export function baseFrom(
  base: Parameters<typeof placeOfBase>[0],
  position: Place | null,
  mark: Mark | null,
): { distanceM: number; bearingDeg: number | null } | null {
  const place = placeOfBase(base)
  if (place && position) {
    const { distanceM, bearingDeg } = inverse(position, place)
    return { distanceM, bearingDeg }
  }
  return (
    mark && {
      distanceM: mark.distanceM,
      bearingDeg: mark.bearingDeg === null ? null : (mark.bearingDeg + 180) % 360,
    }
  )
}

/** Speed over ground from the newest positions, m/s, with the source's own where it has one. */
export function speedOf(positions: readonly Position[]): number | null {
  const last = positions[positions.length - 1]
  if (!last) return null
  if (last.speedMs !== null) return last.speedMs
  const first = positions.find((p) => last.at - p.at <= 15_000)
  if (!first || last.at - first.at < 2_000) return null
  return inverse(first, last).distanceM / ((last.at - first.at) / 1000)
}

/** A source whose positions have a speed, taken from their places where it gives none. */
export function withSpeed(source: PositionSource): PositionSource {
  return {
    name: source.name,
    start(onPosition, onTrouble) {
      const recent: Position[] = []
      return source.start((p) => {
        recent.push(p)
        if (recent.length > 20) recent.shift()
        onPosition({ ...p, speedMs: speedOf(recent) })
      }, onTrouble)
    },
  }
}
