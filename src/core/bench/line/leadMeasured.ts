import { LIGHT_M_PER_US } from '@/core/rf'
import { phaseLine } from '../sweep/phaseLine'
import { gammaAt, sameFrequencies, type Sweep } from '../sweep/sweep'

/** A lead as its open or shorted far end tells it. */
export interface LeadMeasured {
  /** Loss one way, dB, at each frequency of the sweep. */
  lossDb: number[]
  frequencyMHz: number[]
  /** One-way delay, ns, and the length in air that it makes, m. */
  delayNs: number
  electricalM: number
  /** How far the phase lies from a straight line, degrees: large where something is wrong on the way. */
  offLineDeg: number
}

/**
 * Loss, delay and electrical length of a lead from a sweep with its far end open, shorted, or both (whose geometric
 * mean is free of the ripple of a lead of another impedance): half the return loss, and the slope of the phase.
 * @param ends one or two sweeps with phase, over the same frequencies; steps fine enough that the phase turns by less
 *   than half a turn from point to point
 * @throws RangeError without phase, or over different frequencies
 */
export function leadMeasured(ends: readonly [Sweep, ...Sweep[]]): LeadMeasured {
  const [first] = ends
  if (!ends.every((s) => s.phase)) throw new RangeError('a lead wants a sweep with phase')
  if (!ends.every((s) => sameFrequencies(s.frequencyMHz, first.frequencyMHz)))
    throw new RangeError('both ends over the same frequencies')
  const f = first.frequencyMHz
  const lossDb = f.map((_, i) =>
    Math.max(0, (-20 * ends.reduce((sum, s) => sum + Math.log10(gammaAt(s, i).abs()), 0)) / ends.length / 2),
  )
  const lines = ends.map((s) =>
    phaseLine(
      f,
      s.re.map((_, i) => gammaAt(s, i)),
    ),
  )
  const slope = lines.reduce((sum, l) => sum + l.slope, 0) / lines.length
  const delayNs = (-slope / (4 * Math.PI)) * 1e3
  const offLineDeg = (Math.max(...lines.map((l) => l.off)) * 180) / Math.PI
  return { frequencyMHz: [...f], lossDb, delayNs, electricalM: delayNs * 1e-3 * LIGHT_M_PER_US, offLineDeg }
}

/** Velocity factor of a lead of a length that was measured with a tape. @param lengthM, electricalM above 0 */
export const velocityFactorOf = (lengthM: number, electricalM: number) => lengthM / electricalM
