import type { PositionFix } from '@/core/trial'

export interface TimedPoint {
  lat: number
  lon: number
  /** ms since the epoch. */
  timeMs: number
}

/** A gap longer than this is not filled, ms. */
const MAX_GAP_MS = 120_000

/**
 * Where a track was at a time, between its two neighbouring points; null outside it or in a gap of more than
 * two minutes.
 * @param points in the order of time
 */
export function trackAt(points: readonly TimedPoint[], timeMs: number): PositionFix | null {
  const after = points.findIndex((p) => p.timeMs >= timeMs)
  if (after < 0) return null
  const b = points[after]!
  if (b.timeMs === timeMs) return { lat: b.lat, lon: b.lon, accuracyM: null }
  const a = points[after - 1]
  if (!a || b.timeMs - a.timeMs > MAX_GAP_MS) return null
  const share = (timeMs - a.timeMs) / (b.timeMs - a.timeMs)
  return { lat: a.lat + share * (b.lat - a.lat), lon: a.lon + share * (b.lon - a.lon), accuracyM: null }
}
