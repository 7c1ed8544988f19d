import type Complex from 'complex.js'

/** A straight line through phases, unwound from point to point. Radians, and radians a MHz. */
export interface PhaseLine {
  slope: number
  /** Phase at no frequency, and how far it may be off: small only where the span is wide for its frequency. */
  atNought: number
  atNoughtError: number
  /** Phase in the middle of the span. */
  middle: number
  /** Root mean square of what lies off the line. */
  off: number
}

/** The ripple of a mismatch runs over many points, so that no more than a few of them count as their own. */
const POINTS_OF_THEIR_OWN = 6

/**
 * A line through the phases of reflections; its slope is a delay: -4π · delay where the wave goes out and back.
 * @param frequencyMHz rising, two or more, so near that the phase turns by less than half a turn between them
 */
export function phaseLine(frequencyMHz: readonly number[], gammas: readonly Complex[]): PhaseLine {
  let before = gammas[0]!.arg()
  const phases = gammas.map((g) => {
    const step = g.arg() - before
    return (before += Math.atan2(Math.sin(step), Math.cos(step)))
  })
  const n = phases.length
  const mf = frequencyMHz.reduce((a, b) => a + b, 0) / n
  const middle = phases.reduce((a, b) => a + b, 0) / n
  const spread = frequencyMHz.reduce((sum, f) => sum + (f - mf) ** 2, 0)
  const slope = frequencyMHz.reduce((sum, f, i) => sum + (f - mf) * (phases[i]! - middle), 0) / spread
  const rest = phases.reduce((sum, p, i) => sum + (p - middle - slope * (frequencyMHz[i]! - mf)) ** 2, 0)
  const off = Math.sqrt(rest / n)
  const slopeError = (off * Math.sqrt(n / POINTS_OF_THEIR_OWN)) / Math.sqrt(spread)
  return { slope, atNought: middle - slope * mf, atNoughtError: slopeError * mf, middle, off }
}
