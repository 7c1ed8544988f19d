import { withMinus } from '@/core/units/numberText'
import { distanceUnit, type Units } from '@/core/units'

const METRES_OF = { km: 1000, mi: 1609.344 } as const

/** A distance in the unit of the axis. */
export const onAxis = (metres: number, units: Units) => metres / METRES_OF[distanceUnit(units)]

/** Round figures for an axis of lg distance, in its own unit. */
export function lgTicks(low: number, high: number): number[] {
  const all = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000]
  const inside = all.filter((t) => t >= low && t <= high)
  return inside.length >= 2 ? inside : [low, high]
}

/** Two figures that hold all values, on round tens or fives. */
export function roundDomain(values: readonly number[], step: number): [number, number] {
  const finite = values.filter(Number.isFinite)
  if (finite.length === 0) return [-step, step]
  return [Math.floor(Math.min(...finite) / step) * step, Math.ceil(Math.max(...finite) / step) * step]
}

/** Round figures through nought for an axis in dB, at most seven. */
export function dbTicks([low, high]: readonly [number, number]): number[] {
  const step = [5, 10, 20, 50].find((s) => (high - low) / s <= 7) ?? 100
  const ticks: number[] = []
  for (let t = Math.ceil(low / step) * step; t <= high; t += step) ticks.push(t)
  return ticks
}

/**
 * What all charts share. Every tick is drawn as given; to find out whether they all have room would hold the page up.
 */
export const AXIS = { interval: 0, stroke: 'var(--ink)', tick: { fill: 'var(--ink)', fontSize: 13 } } as const

export { withMinus }

/** The name of a lower axis. */
export const belowLabel = (value: string) => ({
  value,
  position: 'insideBottom' as const,
  offset: -16,
  fill: 'var(--ink)',
})

/** An upright axis in dB: its ends, its ticks, its name. */
export const uprightDb = (domain: [number, number], name: string) => ({
  ...AXIS,
  type: 'number' as const,
  domain,
  ticks: dbTicks(domain),
  tickFormatter: withMinus,
  allowDataOverflow: true,
  width: 60,
  label: {
    value: name,
    angle: -90,
    position: 'insideLeft' as const,
    fill: 'var(--ink)',
    style: { textAnchor: 'middle' as const },
  },
})
