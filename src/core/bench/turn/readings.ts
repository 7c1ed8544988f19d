import { turnDeg } from '@/core/geo'
import { groupedBy } from '@/core/groupedBy'
import { studentQuantile } from '@/core/stats'

/** One reading of a test with a turned antenna, as it was written down. */
export interface TurnReading {
  /** As typed; any number of turns. */
  angleDeg: number
  /** Level, dB or dBm; only differences count. */
  db: number
  /** The receiver's floor: the true level is at or below it. */
  atOrBelow: boolean
}

/** All readings of one angle. */
export interface TurnPoint {
  /** 0 to below 360. */
  angleDeg: number
  /** Averaged as power, dB; at the floor the floor. */
  db: number
  atOrBelow: boolean
  readings: number
  /** From lowest to highest, dB. */
  spreadDb: number
}

/** Mean of levels as power: 10 lg of the mean of 10^(dB/10). */
export const meanPowerDb = (dbs: readonly number[]) =>
  10 * Math.log10(dbs.reduce((s, v) => s + 10 ** (v / 10), 0) / dbs.length)

/** Readings of the same angle, to a hundredth of a degree, by that. */
function byAngle(readings: readonly TurnReading[]): Map<number, TurnReading[]> {
  return groupedBy(readings, (r) => (Math.round(turnDeg(r.angleDeg) * 100) % 36_000) / 100)
}

/**
 * Readings brought together by angle, to a hundredth of a degree, rising. A point counts as at the floor when
 * half of its readings do.
 */
export function pointsOf(readings: readonly TurnReading[]): TurnPoint[] {
  return [...byAngle(readings)]
    .sort(([a], [b]) => a - b)
    .map(([angleDeg, all]) => {
      const dbs = all.map((r) => r.db)
      return {
        angleDeg,
        db: meanPowerDb(dbs),
        atOrBelow: all.filter((r) => r.atOrBelow).length * 2 >= all.length,
        readings: all.length,
        spreadDb: Math.max(...dbs) - Math.min(...dbs),
      }
    })
}

/** How well readings of one angle repeat, and how often each angle was read. */
export interface Repeats {
  /** Of one reading, dB, pooled over the angles that were read more than once. */
  sdDb: number
  free: number
  times: number
}

/** @returns null where no angle was read twice */
export function repeatability(readings: readonly TurnReading[]): Repeats | null {
  let [sum, free] = [0, 0]
  const angles = byAngle(readings)
  for (const all of angles.values()) {
    const dbs = all.flatMap((r) => (r.atOrBelow ? [] : [r.db]))
    if (dbs.length < 2) continue
    const mean = dbs.reduce((s, v) => s + v, 0) / dbs.length
    sum += dbs.reduce((s, v) => s + (v - mean) ** 2, 0)
    free += dbs.length - 1
  }
  return free > 0 ? { sdDb: Math.sqrt(sum / free), free, times: readings.length / angles.size } : null
}

/** Half of the 90 % interval of the mean of one angle, dB. */
export const meanOffDb = ({ sdDb, free, times }: Repeats) =>
  (studentQuantile(0.95, free) * sdDb) / Math.sqrt(times)
