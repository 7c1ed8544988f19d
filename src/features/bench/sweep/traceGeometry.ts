import { gammaOfSwr, returnLossDb } from '@/core/rf'
import { readings, type Reading, type Sweep } from '@/core/bench'

/** How a sweep is looked at. */
export const TRACE_SCALES = [
  { id: 'return-loss', name: 'Return loss', unit: 'dB' },
  { id: 'swr', name: 'SWR', unit: '' },
  { id: 'gamma', name: '|Γ|', unit: '' },
  { id: 'ohms', name: 'R and X', unit: 'ohm' },
  { id: 'plane', name: 'Reflection plane', unit: '' },
] as const
export type TraceScale = (typeof TRACE_SCALES)[number]['id']

/** A figure on an axis, or nothing to draw. */
type Of = (r: Reading) => number | null

export interface AxisScale {
  /** One line, or two where both parts of an impedance are drawn. */
  of: Of[]
  low: number
  high: number
  ticks: number[]
  /** Where the limit lies; null where it is no line on this scale. */
  limit: number | null
  name: string
  /** The better, the lower on the picture: return loss falls from its top. */
  downward: boolean
}

const HIGHEST_SWR = 6

/** Round figures from low to high, at most so many. */
export function roundTicks(low: number, high: number, most: number): number[] {
  const raw = (high - low) / most
  const decade = 10 ** Math.floor(Math.log10(raw))
  const step = [1, 2, 5, 10].map((n) => n * decade).find((s) => s >= raw * (1 - 1e-9))!
  const ticks: number[] = []
  for (let t = Math.ceil(low / step - 1e-9) * step; t <= high + step * 1e-9; t += step)
    ticks.push(Number(t.toPrecision(10)))
  return ticks
}

/** The upright axis of a scale over some sweeps. @param limitSwr above 1 */
export function axisOf(
  scale: Exclude<TraceScale, 'plane'>,
  sweeps: readonly Sweep[],
  limitSwr: number,
): AxisScale {
  const limit = gammaOfSwr(limitSwr)
  switch (scale) {
    case 'return-loss': {
      const deepest = Math.max(
        20,
        ...sweeps.flatMap((s) => readings(s).map((r) => Math.min(60, r.returnLossDb))),
      )
      const high = Math.ceil(deepest / 10) * 10
      return {
        of: [(r) => Math.min(high, r.returnLossDb)],
        ...{ low: 0, high, ticks: roundTicks(0, high, 6), limit: returnLossDb(limit) },
        ...{ name: 'Return loss, dB', downward: true },
      }
    }
    case 'swr':
      return {
        of: [(r) => Math.min(HIGHEST_SWR, r.swr)],
        ...{ low: 1, high: HIGHEST_SWR, ticks: [1, 1.5, 2, 3, 4, 5, 6], limit: limitSwr },
        ...{ name: 'SWR', downward: false },
      }
    case 'gamma':
      return {
        of: [(r) => Math.min(1, r.size)],
        ...{ low: 0, high: 1, ticks: [0, 0.2, 0.4, 0.6, 0.8, 1], limit },
        ...{ name: '|Γ|', downward: false },
      }
    case 'ohms': {
      const all = sweeps.flatMap((s) => readings(s).flatMap((r) => (r.ohms ? [r.ohms.r, r.ohms.x] : [])))
      const top = Math.min(300, Math.max(100, ...all.map(Math.abs)))
      const high = Math.ceil(top / 50) * 50
      const held = (v: number) => (Math.abs(v) > high ? null : v)
      return {
        of: [(r) => (r.ohms ? held(r.ohms.r) : null), (r) => (r.ohms ? held(r.ohms.x) : null)],
        ...{ low: -high, high, ticks: roundTicks(-high, high, 8), limit: null },
        ...{ name: 'R (full) and X (thin), ohm', downward: false },
      }
    }
  }
}

/** The level axis: frequency, straight or by its logarithm. @param most figures on it */
export function frequencyAxis(low: number, high: number, log: boolean, width: number, most: number) {
  const t = log ? Math.log : (v: number) => v
  const [a, b] = [t(low), t(high)]
  return {
    x: (f: number) => ((t(f) - a) / (b - a)) * width,
    at: (x: number) => {
      const v = a + (x / width) * (b - a)
      return log ? Math.exp(v) : v
    },
    ticks: roundTicks(low, high, most),
  }
}

/** A line through what can be drawn, broken where it cannot. */
export function pathOf(points: readonly { x: number; y: number | null }[]): string {
  let pen = 'M'
  return points
    .map(({ x, y }) => {
      if (y === null) {
        pen = 'M'
        return ''
      }
      const step = `${pen}${x.toFixed(1)} ${y.toFixed(1)}`
      pen = 'L'
      return step
    })
    .join('')
}
