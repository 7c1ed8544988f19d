import Complex from 'complex.js'
import { returnLossDb, swrOfGamma } from '@/core/rf'

/**
 * One measured reflection over frequency, at one port. Three lists of equal length, frequencies rising.
 * Γ = re + j·im against `ohm`.
 */
export interface Sweep {
  frequencyMHz: number[]
  re: number[]
  im: number[]
  /** Reference impedance, ohm. */
  ohm: number
  /** False where only the size of Γ is known: no impedance, no reflection plane, no distance. */
  phase: boolean
}

/** What a sweep says at one frequency. */
export interface Reading {
  frequencyMHz: number
  /** |Γ|; 1 at most is what a passive antenna gives. */
  size: number
  /** dB, 0 or more where |Γ| is at most 1. */
  returnLossDb: number
  /** Infinity at total reflection. */
  swr: number
  /** Degrees, -180 to 180; null without phase. */
  phaseDeg: number | null
  /** Resistance and reactance, ohm; null without phase. */
  ohms: { r: number; x: number } | null
}

export const gammaAt = (s: Sweep, i: number) => new Complex(s.re[i]!, s.im[i]!)

/** Size of a reflection as SWR; Infinity where all comes back, or more. */
export const swrOfSize = (size: number) => (size >= 1 ? Infinity : swrOfGamma(size))

/** Impedance of a reflection coefficient, ohm: z0 (1 + Γ)/(1 - Γ). @param ohm above 0 */
export function impedanceOf(gamma: Complex, ohm: number): { r: number; x: number } {
  const z = new Complex(1, 0).add(gamma).div(new Complex(1, 0).sub(gamma)).mul(ohm)
  return { r: z.re, x: z.im }
}

/** Reflection coefficient of an impedance against z0: (Z - z0)/(Z + z0). @param ohm above 0 */
export function gammaOfImpedance(z: { r: number; x: number }, ohm: number): Complex {
  const c = new Complex(z.r, z.x)
  return c.sub(ohm).div(c.add(ohm))
}

/** @returns the reading of a reflection @param ohm above 0 */
function readingOf(frequencyMHz: number, gamma: Complex, ohm: number, phase: boolean): Reading {
  const size = gamma.abs()
  return {
    frequencyMHz,
    size,
    returnLossDb: returnLossDb(size),
    swr: swrOfSize(size),
    phaseDeg: phase ? (gamma.arg() * 180) / Math.PI : null,
    ohms: phase ? impedanceOf(gamma, ohm) : null,
  }
}

/** Where a frequency lies between two points, as the index of the lower and the part of the way; null outside. */
function placeOf(f: readonly number[], frequencyMHz: number): { i: number; t: number } | null {
  const last = f.length - 1
  if (last < 0 || frequencyMHz < f[0]! || frequencyMHz > f[last]!) return null
  let [low, high] = [0, last]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (f[middle]! <= frequencyMHz) low = middle
    else high = middle
  }
  return { i: low, t: high === low ? 0 : (frequencyMHz - f[low]!) / (f[high]! - f[low]!) }
}

/** Γ between points, straight in the reflection plane; null outside the sweep. */
export function gammaBetween(s: Sweep, frequencyMHz: number): Complex | null {
  const at = placeOf(s.frequencyMHz, frequencyMHz)
  if (!at) return null
  const next = Math.min(at.i + 1, s.re.length - 1)
  const between = (v: number[]) => v[at.i]! + (v[next]! - v[at.i]!) * at.t
  return new Complex(between(s.re), between(s.im))
}

/** What a sweep says at a frequency; null outside it. */
export function readAt(s: Sweep, frequencyMHz: number): Reading | null {
  const gamma = gammaBetween(s, frequencyMHz)
  return gamma && readingOf(frequencyMHz, gamma, s.ohm, s.phase)
}

/** Every point as a reading. */
export const readings = (s: Sweep): Reading[] =>
  s.frequencyMHz.map((f, i) => readingOf(f, gammaAt(s, i), s.ohm, s.phase))

/**
 * The same impedances against another reference.
 * @param ohm above 0
 * @throws RangeError where the sweep has no phase: the size alone does not tell
 */
export function renormalised(s: Sweep, ohm: number): Sweep {
  if (ohm === s.ohm) return s
  if (!s.phase) throw new RangeError('a sweep without phase cannot be read against another impedance')
  const made = s.re.map((_, i) => gammaOfImpedance(impedanceOf(gammaAt(s, i), s.ohm), ohm))
  return { ...s, re: made.map((g) => g.re), im: made.map((g) => g.im), ohm }
}

/** Sweeps of one thing, averaged as Γ. @param sweeps one or more, over the same frequencies */
export function averaged(sweeps: readonly Sweep[]): Sweep {
  const mean = (pick: (s: Sweep) => number[]) =>
    sweeps[0]!.re.map((_, i) => sweeps.reduce((sum, s) => sum + pick(s)[i]!, 0) / sweeps.length)
  return { ...sweeps[0]!, re: mean((s) => s.re), im: mean((s) => s.im) }
}

/** Whether frequencies are the same, to a millionth. */
export const sameFrequencies = (a: readonly number[], b: readonly number[]) =>
  a.length === b.length && a.every((f, i) => Math.abs(f - b[i]!) <= f * 1e-6)

/** A sweep over the frequencies of another, as far as it reaches; null where it does not reach all of them. */
export function overSame(s: Sweep, frequencyMHz: readonly number[]): Sweep | null {
  const made = frequencyMHz.map((f) => gammaBetween(s, f))
  if (made.some((g) => g === null)) return null
  return {
    ...s,
    frequencyMHz: [...frequencyMHz],
    re: made.map((g) => g!.re),
    im: made.map((g) => g!.im),
  }
}
