import { termDraws } from '@/core/model/answers'
import type { Direction } from '@/core/kit/rig/rig'
import type { FindingsInput } from '../input'
import { effectOf, type Effect } from '../joint/effects'
import { unitOf, type DifferenceUnit, type JointFit } from '../joint/jointFit'

/** How levels moved at a listener while a run went on, by the joint model. */
export interface Drift {
  direction: Direction
  /** For an hour. */
  slope: Effect
  unit: DifferenceUnit
  hours: number
  surely: boolean
}

/** The drift of each listener; empty where the log has no times, or hardly any between them. */
export function driftOf(input: FindingsInput, joint: JointFit): Drift[] {
  const { drift } = joint.input
  if (!drift) return []
  return input.directions.map((direction, d) => {
    const { unit, size } = unitOf(joint, [d])
    const slope = effectOf(joint.fit, termDraws(joint.fit, drift.first + d), size)
    const { low, high } = slope.interval95
    return { direction, slope, unit, hours: drift.hours, surely: low > 0 || high < 0 }
  })
}
