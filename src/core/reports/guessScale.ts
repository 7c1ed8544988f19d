import { readReport } from './readReport'
import type { Reading } from './reading'
import { defaultScale, type Scale, type ScaleKind } from './scale'

export interface ScaleGuess {
  scale: Scale
  /** How many of the distinct reports it reads. */
  reads: number
  of: number
  /** Why this one, in a few words for the user who has to confirm it. */
  because: string
}

const CANDIDATES: ScaleKind[] = [
  'readability-strength',
  'level',
  'strength',
  'readability',
  'count',
  'words',
  'heard',
  'rate',
]

function fitDetails(scale: Scale, texts: readonly string[]): Scale {
  if (scale.kind === 'level') {
    const bare = texts.filter((t) => /^\s*\d{2,3}\b/.test(t)).length
    return bare > texts.length / 2 ? { ...scale, minusOmitted: true } : scale
  }
  if (scale.kind !== 'readability-strength' && scale.kind !== 'strength') return scale
  const overs = texts
    .map((t) => readReport(t, scale))
    .flatMap((r) => (r.state === 'heard' && r.strength ? [r.strength.from.overDb] : []))
    .filter((over) => over > 0)
  if (overs.every((over) => over % 10 === 0)) return scale
  const overStepDb = overs.every((over) => over % 5 === 0) ? 5 : 1
  return { ...scale, strength: { ...scale.strength, overStepDb } }
}

/** A scale of two figures that finds only one in a report, and no word, fits it half. */
function isHalfRead(reading: Reading, text: string, scale: Scale): boolean {
  // "4 of 5" can be a readability, but whoever counts words says it so.
  if (scale.kind === 'readability') return /\bof\b/.test(text)
  if (scale.kind !== 'readability-strength' || !/\d/.test(text)) return false
  return reading.state === 'heard' && (reading.readability === null || reading.strength === null)
}

const BARE = /^[0-9]$/

/**
 * Whether reports are bare digits and nothing else but words for not heard: a readability, a strength of five or of
 * nine, bars, or part of a level. Nobody can tell from the digits.
 */
export function isBare(texts: readonly string[]): boolean {
  const figures = texts.map((t) => t.trim()).filter((t) => /\d/.test(t))
  return figures.length > 0 && figures.every((t) => BARE.test(t))
}

/**
 * Guesses the scale of a listener from the reports themselves. A guess is only ever offered: the same "5 5" means two
 * things to two teams, so the user confirms or changes it before anything is read.
 * @param texts reports as given, empty ones ignored
 */
export function guessScale(texts: readonly string[]): ScaleGuess {
  const given = texts.filter((t) => t.trim() !== '')
  if (isBare(given))
    return guessOf(defaultScale(given.some((t) => /[6-9]/.test(t)) ? 'strength' : 'readability'), given)
  let best: { scale: Scale; fit: number } | null = null
  for (const kind of CANDIDATES) {
    const scale = fitDetails(defaultScale(kind), given)
    const readings = given.map((t) => readReport(t, scale))
    const reads = readings.filter((r) => r.state !== 'not read').length
    const fit = reads - readings.filter((r, i) => isHalfRead(r, given[i]!, scale)).length / 2
    if (best === null || fit > best.fit) best = { fit, scale }
  }
  return guessOf(best!.scale, given)
}

function guessOf(scale: Scale, given: readonly string[]): ScaleGuess {
  const reads = given.filter((t) => readReport(t, scale).state !== 'not read').length
  return { scale, reads, of: given.length, because: `${reads} of ${given.length} reports can be read in it` }
}
