import { turnDeg } from '@/core/geo'
import { wavelengthM } from '@/core/rf'
import { problem, type Problem } from '@/core/outcome'
import { missingSectors } from './pattern'
import { pointsOf, type TurnReading } from './readings'

/** Turns beyond this are a slip of the pen. */
const MOST_DEG = 720

/** What is wrong with readings of a turn, or worth knowing. @param allRound a pattern is wanted, not a part of a turn */
export function turnFaults(readings: readonly TurnReading[], allRound: boolean): Problem[] {
  const said: Problem[] = []
  readings.forEach((r, i) => {
    const where = `reading ${i + 1}`
    if (!Number.isFinite(r.angleDeg) || Math.abs(r.angleDeg) > MOST_DEG)
      said.push(problem('angle', where, `${r.angleDeg}° is no angle. Angles go from 0 to 360.`))
    else if (r.angleDeg >= 360 || r.angleDeg < 0)
      said.push(problem('angle-turned', where, `${r.angleDeg}° counts as ${turnDeg(r.angleDeg)}°.`))
    if (!Number.isFinite(r.db) || Math.abs(r.db) > 250)
      said.push(problem('level', where, `${r.db} is no level in dB or dBm.`))
  })
  const points = pointsOf(readings)
  if (allRound && points.length >= 3)
    for (const gap of missingSectors(points))
      said.push(
        problem(
          'sector',
          `${gap.fromDeg} to ${gap.toDeg} degrees`,
          `Nothing was read between ${gap.fromDeg}° and ${gap.toDeg}°: what lies there is not known.`,
        ),
      )
  return said
}

/** A reading as it is typed: "-63", "<-120" or "≤ -120" for at or below the floor. */
export function readTyped(text: string): { db: number; atOrBelow: boolean } | null {
  const [, floor, figure] = /^\s*(<=?|≤)?\s*([+\-−]?\s*\d+(?:[.,]\d+)?)\s*(?:dBm?)?\s*$/i.exec(text) ?? []
  if (figure === undefined) return null
  const db = Number(figure.replace('−', '-').replace(/\s/g, '').replace(',', '.'))
  return Number.isFinite(db) ? { db, atOrBelow: floor !== undefined } : null
}

/** Angles to take, from one to below another, there and back or mixed. @param stepDeg above 0 */
export function anglesToTake(stepDeg: number, toDeg = 360): number[] {
  return Array.from({ length: Math.round(toDeg / stepDeg) + (toDeg < 360 ? 1 : 0) }, (_, i) => i * stepDeg)
}

/** The nearest distance at which a pattern is a pattern, m: 2 D²/λ, and a few waves. @param sizeM largest size */
export const farFieldM = (sizeM: number, frequencyMHz: number) => {
  const wave = wavelengthM(frequencyMHz)
  return Math.max((2 * sizeM * sizeM) / wave, 3 * wave)
}
