import { listenerOf } from '@/core/kit/rig/rig'
import type { Direction, Listener } from '@/core/kit/rig/terms'
import type { Scale } from '@/core/reports/scale'

/** The scales of those who listen in the directions of a plan; that of whoever only sends is left out. */
export function heardScales(plan: {
  directions: readonly Direction[]
  scales: Record<Listener, Scale>
}): Partial<Record<Listener, Scale>> {
  const listeners = new Set(plan.directions.map(listenerOf))
  return Object.fromEntries(
    (['base', 'out'] as const).filter((l) => listeners.has(l)).map((l) => [l, plan.scales[l]]),
  )
}
