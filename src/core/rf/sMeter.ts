/** S9 in dBm: -73 below 30 MHz, -93 above; from 30 to 144 MHz by the same convention only. IARU Region 1. */
function s9Dbm(frequencyMHz: number): number {
  return frequencyMHz < 30 ? -73 : -93
}

/** A meter's own points: what it showed at a known level. */
export interface MeterPoint {
  /** S-units, and dB over nine as 9 + dB/6. */
  units: number
  dbm: number
}

const STEP_DB = 6

/**
 * Level in dBm of a reading in S-units, by the recommendation or by the meter's own points.
 * @param units 0 and up; above 9 each 6 dB over nine count as one more
 * @param points measured on this radio, two or more; between them straight, beyond them as the nearest two
 */
export function dbmOfSUnits(
  units: number,
  frequencyMHz: number,
  points: readonly MeterPoint[] | null = null,
): number {
  if (points && points.length >= 2)
    return lineThrough(
      points,
      (p) => p.units,
      (p) => p.dbm,
      units,
    )
  return s9Dbm(frequencyMHz) + STEP_DB * (units - 9)
}

/** Reading in S-units of a level in dBm; the inverse of {@link dbmOfSUnits}. */
export function sUnitsOfDbm(
  dbm: number,
  frequencyMHz: number,
  points: readonly MeterPoint[] | null = null,
): number {
  if (points && points.length >= 2)
    return lineThrough(
      points,
      (p) => p.dbm,
      (p) => p.units,
      dbm,
    )
  return 9 + (dbm - s9Dbm(frequencyMHz)) / STEP_DB
}

/** A reading as people say it: "S7", "S9+20"; below S0 "under S0". */
export function sUnitsText(units: number): string {
  if (units < 0) return 'under S0'
  if (units < 9.5) return `S${Math.round(units)}`
  return `S9+${Math.round(((units - 9) * STEP_DB) / 5) * 5}`
}

function lineThrough(
  points: readonly MeterPoint[],
  x: (p: MeterPoint) => number,
  y: (p: MeterPoint) => number,
  at: number,
): number {
  const sorted = [...points].sort((a, b) => x(a) - x(b))
  const found = sorted.findIndex((p) => x(p) >= at)
  const i = Math.min(Math.max(found === -1 ? sorted.length - 1 : found, 1), sorted.length - 1)
  const [p, q] = [sorted[i - 1]!, sorted[i]!]
  return y(p) + ((y(q) - y(p)) * (at - x(p))) / (x(q) - x(p))
}
