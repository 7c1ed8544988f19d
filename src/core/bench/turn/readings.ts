import { turnDeg } from '@/core/geo'

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

/** From -180 to below 180. */
export const halfTurnOf = (deg: number) => turnDeg(deg + 180) - 180

/** Mean of levels as power: 10 lg of the mean of 10^(dB/10). */
export const meanPowerDb = (dbs: readonly number[]) =>
  10 * Math.log10(dbs.reduce((s, v) => s + 10 ** (v / 10), 0) / dbs.length)

/**
 * Readings brought together by angle, to a hundredth of a degree, rising. A point counts as at the floor when
 * half of its readings do.
 */
export function pointsOf(readings: readonly TurnReading[]): TurnPoint[] {
  const byAngle = new Map<number, TurnReading[]>()
  for (const r of readings) {
    const angle =
      Math.round(turnDeg(r.angleDeg) * 100) / 100 === 360 ? 0 : Math.round(turnDeg(r.angleDeg) * 100) / 100
    byAngle.set(angle, [...(byAngle.get(angle) ?? []), r])
  }
  return [...byAngle]
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

/** How far a mean of one angle may be off, dB (one standard deviation), pooled over angles read more than once; null. */
export function repeatability(readings: readonly TurnReading[]): { sdDb: number; free: number } | null {
  let [sum, free] = [0, 0]
  for (const point of pointsOf(readings)) {
    const all = readings.filter(
      (r) => Math.abs(halfTurnOf(r.angleDeg - point.angleDeg)) < 0.01 && !r.atOrBelow,
    )
    if (all.length < 2) continue
    const mean = all.reduce((s, r) => s + r.db, 0) / all.length
    sum += all.reduce((s, r) => s + (r.db - mean) ** 2, 0)
    free += all.length - 1
  }
  return free > 0 ? { sdDb: Math.sqrt(sum / free), free } : null
}
