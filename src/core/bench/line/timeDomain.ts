import FFT from 'fft.js'
import { LIGHT_M_PER_US } from '@/core/rf'
import { gammaBetween, type Sweep } from '../sweep/sweep'

/** Reflections along a line, by distance from the near end. */
export interface TimeDomain {
  /** Of each point, m, rising from 0. */
  distanceM: number[]
  /** Size of the reflection there, about 0 to 1. */
  size: number[]
  /** Two reflections nearer than this are one, m: the width of a peak at half its height. */
  resolutionM: number
  /** Beyond this distances come round again, m. */
  rangeM: number
}

/** A Hann window is as wide as twice its span's own resolution at half height (Harris 1978, 6 dB bandwidth 2.00 bins). */
const HANN_WIDTH = 2
const FINER = 8

/**
 * Reflection over distance, by the inverse Fourier transform of Γ under a Hann window.
 * @param s with phase; two points or more
 * @param velocityFactor above 0 to 1
 * @throws RangeError without phase
 */
export function timeDomain(s: Sweep, velocityFactor: number): TimeDomain {
  if (!s.phase) throw new RangeError('distance wants a sweep with phase')
  const n = s.frequencyMHz.length
  const [low, high] = [s.frequencyMHz[0]!, s.frequencyMHz[n - 1]!]
  const step = (high - low) / (n - 1)
  const size = 2 ** Math.ceil(Math.log2(n * FINER))
  const fft = new FFT(size)
  const input = fft.createComplexArray().fill(0) as number[]
  let weight = 0
  for (let i = 0; i < n; i++) {
    const w = 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / n)
    const gamma = gammaBetween(s, i === n - 1 ? high : low + i * step)!
    weight += w
    input[2 * i] = gamma.re * w
    input[2 * i + 1] = gamma.im * w
  }
  const out = fft.createComplexArray() as number[]
  fft.inverseTransform(out, input)
  const perCell = (velocityFactor * LIGHT_M_PER_US) / (2 * step * size)
  const half = size / 2
  return {
    distanceM: Array.from({ length: half }, (_, i) => i * perCell),
    // The transform divides by its size; what matters is the window's own weight.
    size: Array.from({ length: half }, (_, i) => (Math.hypot(out[2 * i]!, out[2 * i + 1]!) * size) / weight),
    resolutionM: (HANN_WIDTH * velocityFactor * LIGHT_M_PER_US) / (2 * (high - low)),
    rangeM: (velocityFactor * LIGHT_M_PER_US) / (2 * step),
  }
}

/** A place on a line that sends something back. */
export interface Fault {
  distanceM: number
  size: number
}

/** What stands out above this part of the largest is told. */
const TOLD = 0.1

/**
 * Places that reflect, nearest first: peaks above a tenth of the largest and above the floor given.
 * @param floor least size told, 0 to 1
 */
export function reflectionsOf(t: TimeDomain, floor = 0.02): Fault[] {
  const largest = Math.max(...t.size)
  return t.size.flatMap((v, i) => {
    const [before, after] = [t.size[i - 1] ?? 0, t.size[i + 1] ?? 0]
    if (v < Math.max(floor, largest * TOLD) || v < before || v <= after) return []
    // The top of a parabola through three points.
    const bend = before - 2 * v + after
    const off = bend === 0 || i === 0 ? 0 : (before - after) / (2 * bend)
    return [{ distanceM: Math.max(0, (i + off) * (t.distanceM[1] ?? 0)), size: v }]
  })
}
