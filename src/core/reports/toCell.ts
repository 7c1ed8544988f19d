import { notHeardCell, stepCell, type LevelCell } from '@/core/stats/scales/levelCell'
import type { HearingThreshold } from '@/core/stats/scales/hearingThreshold'
import type { Reading, Strength } from './reading'
import type { Scale, StrengthMeaning } from './scale'

function edges(s: Strength, meaning: StrengthMeaning, stepDb: number): { lower: number; upper: number } {
  const half = meaning.overStepDb / 2
  const at = (units: number) => (units - 9) * stepDb
  if (s.units < 9) return { lower: at(s.units) - stepDb / 2, upper: at(s.units) + stepDb / 2 }
  if (s.overDb === 0) return { lower: -stepDb / 2, upper: meaning.top === 9 ? half : Infinity }
  return {
    lower: s.overDb - half,
    upper: s.overDb >= meaning.fullScaleOverDb ? Infinity : s.overDb + half,
  }
}

/**
 * What a heard report says of the level, in dB against S9 for a meter and in the scale's own unit for a display.
 * S1 to S8 are half a step to either side, S9 is (-3, +5], S9+10 is (+5, +15] and so on with the nominal meter; full
 * scale is open above, S0 below.
 * @param stepDb dB of one S-unit to read a meter by (its own, or one value of an unknown step)
 * @returns null where the report says nothing in dB: strength by ear, readability, words, counts, bare readings
 */
export function levelCell(reading: Reading, scale: Scale, stepDb: number): LevelCell | null {
  if (reading.state !== 'heard') return null
  if (scale.kind === 'level' && reading.level && scale.unit !== 'SINR dB')
    return stepCell(reading.level.from - scale.stepDb / 2, reading.level.to + scale.stepDb / 2)
  if (scale.kind !== 'readability-strength' && scale.kind !== 'strength') return null
  if (scale.strength.by === 'ear' || !reading.strength) return null
  const from = edges(reading.strength.from, scale.strength, stepDb)
  const to = edges(reading.strength.to, scale.strength, stepDb)
  const lower = reading.strength.from.units === 0 ? -Infinity : from.lower
  return { lower, upper: to.upper, softDb: 0, notHeard: false }
}

/** Whether a scale says anything in dB at all. */
export function isInDb(scale: Scale): boolean {
  if (scale.kind === 'level') return scale.unit !== 'SINR dB'
  return (scale.kind === 'readability-strength' || scale.kind === 'strength') && scale.strength.by !== 'ear'
}

/** The width of a scale's ordinary step, dB. */
export function stepWidthDb(scale: Scale, stepDb: number): number {
  return scale.kind === 'level' ? scale.stepDb : stepDb
}

/** "Not heard" by a listener: below that listener's threshold, or below the lowest step where none was found. */
export function silenceCell(threshold: HearingThreshold | null, lowestStepUpperDb: number): LevelCell {
  return threshold ? notHeardCell(threshold.thresholdDb, threshold.softDb) : notHeardCell(lowestStepUpperDb)
}

/** dB of an S-unit where nobody knows better. */
const USUAL_UNIT_DB = 6

/**
 * How far a level may be off the middle of a report, dB, by the coarser of two listeners; null where one tells
 * none.
 */
export function reportSpreadDb(scales: Record<string, Scale>): number | null {
  const all = Object.values(scales)
  if (!all.every(isInDb)) return null
  return Math.max(...all.map((s) => stepWidthDb(s, USUAL_UNIT_DB))) / Math.sqrt(12)
}
