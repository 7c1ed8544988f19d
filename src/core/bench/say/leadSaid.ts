import { figureText } from '@/core/units'
import { velocityFactorOf, type Fault, type LeadMeasured, type TimeDomain } from '../line'
import { mhzText } from './sweepSaid'

/** What a lead is read for. */
export interface LeadAsked {
  /** Where its loss is wanted, MHz. */
  atMHz: number
  /** By the tape, m; null where nobody measured it. */
  lengthM: number | null
}

/** Loss of a lead between its points, dB; null outside. */
export function lossAt(m: LeadMeasured, atMHz: number): number | null {
  const after = m.frequencyMHz.findIndex((f) => f >= atMHz)
  if (after < 0 || (after === 0 && m.frequencyMHz[0] !== atMHz)) return null
  if (after === 0) return m.lossDb[0]!
  const [f0, f1] = [m.frequencyMHz[after - 1]!, m.frequencyMHz[after]!]
  return m.lossDb[after - 1]! + ((atMHz - f0) / (f1 - f0)) * (m.lossDb[after]! - m.lossDb[after - 1]!)
}

/** A phase that lies farther from a straight line than this, degrees, has something on its way. */
const STRAIGHT_DEG = 8
/** Beyond these a velocity factor is a slip of the tape, or of the phase. */
const [SLOWEST, FASTEST] = [0.5, 1]

/** What a lead's own sweep says, in sentences; the first is the answer. @param lengthText how lengths are written */
export function leadSaid(m: LeadMeasured, asked: LeadAsked, lengthText: (m: number) => string): string[] {
  const loss = lossAt(m, asked.atMHz)
  const said = [
    loss === null
      ? `${mhzText(asked.atMHz)} lies outside the sweep.`
      : `It takes ${figureText(loss, 2)} dB at ${mhzText(asked.atMHz)}, one way: ${Math.round(100 * 10 ** (-loss / 10))} % of the power comes through.`,
  ]
  const electrical = `its phase is that of ${lengthText(m.electricalM)} of air`
  if (asked.lengthM === null)
    said.push(`Electrically ${electrical}. Type its length by the tape, and the velocity factor follows.`)
  else {
    const vf = velocityFactorOf(asked.lengthM, m.electricalM)
    said.push(
      vf < SLOWEST || vf > FASTEST
        ? `A velocity factor of ${figureText(vf, 2)} would follow, and cannot be: is the length right, and are the points close enough?`
        : `Velocity factor ${figureText(vf, 3)}: ${electrical}.`,
    )
  }
  if (m.offLineDeg > STRAIGHT_DEG)
    said.push(
      `Its phase wanders by ${figureText(m.offLineDeg, 0)}° about a straight line: something on the way sends part of it back, so take loss and length with care.`,
    )
  return said
}

/** What reflects along a lead, in a sentence. @param endM where the far end should be, m; null where nobody knows */
export function faultsSaid(
  t: TimeDomain,
  faults: readonly Fault[],
  endM: number | null,
  lengthText: (m: number) => string,
): string {
  const near = (f: Fault) => endM !== null && Math.abs(f.distanceM - endM) <= t.resolutionM
  const others = faults.filter((f) => !near(f) && f.distanceM > t.resolutionM)
  if (faults.length === 0) return 'Nothing reflects within its range.'
  const named = others.map((f) => `${lengthText(f.distanceM)} (${Math.round(100 * f.size)} % of the voltage)`)
  if (endM === null)
    return `Reflections at ${named.join(', ')}, each to about ${lengthText(t.resolutionM / 2)}. The last strong one is the far end.`
  return others.length === 0
    ? 'Nothing reflects before the far end.'
    : `Something on the way reflects at ${named.join(', ')}, to about ${lengthText(t.resolutionM / 2)}: a squash, water, a bad plug. Two nearer than ${lengthText(t.resolutionM)} to each other are seen as one.`
}
