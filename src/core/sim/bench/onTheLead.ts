import Complex from 'complex.js'
import { LIGHT_M_PER_US } from '@/core/rf'
import { gammaOfImpedance, standardGamma, STANDARDS, type Standards } from '@/core/bench'

/** What can be put on the end of the simulated analyser's lead. */
export const ON_THE_LEAD = [
  { id: 'open', name: 'Open' },
  { id: 'short', name: 'Short' },
  { id: 'load', name: 'Load, 50 ohm' },
  { id: 'whip', name: 'Whip on a handheld, nothing hung from it' },
  { id: 'whip-counterpoise', name: 'The same with a counterpoise' },
  { id: 'whip-hand', name: 'The same in the hand' },
  { id: 'loose', name: 'The whip with its plug loose' },
  { id: 'lead-open', name: '12 m of lead, its far end open' },
  { id: 'lead-short', name: '12 m of lead, its far end shorted' },
  { id: 'lead-fault', name: '12 m of lead, squashed at 7.5 m, its far end open' },
] as const
export type OnTheLead = (typeof ON_THE_LEAD)[number]['id']

/** One resonance: series resistance at it, ohm, quality and frequency. */
interface Resonator {
  atMHz: number
  ohm: number
  quality: number
}

/** A quarter-wave whip for 433 to 437 MHz that also matches at the third harmonic, in three surroundings. */
export const WHIP: Record<'whip' | 'whip-counterpoise' | 'whip-hand', Resonator[]> = {
  whip: [
    { atMHz: 447, ohm: 21, quality: 7 },
    { atMHz: 520, ohm: 160, quality: 12 },
  ],
  'whip-counterpoise': [
    { atMHz: 434.6, ohm: 46, quality: 9 },
    { atMHz: 520, ohm: 160, quality: 12 },
  ],
  'whip-hand': [
    { atMHz: 427, ohm: 58, quality: 6 },
    { atMHz: 520, ohm: 220, quality: 9 },
  ],
}

/** Truth of the simulated lead: its length, velocity factor, loss at 435 MHz one way (with the root of f), its fault. */
export const LEAD_TRUTH = {
  lengthM: 12,
  velocityFactor: 0.83,
  lossDb: 1.8,
  atMHz: 435,
  faultM: 7.5,
  fault: 0.18,
}

function whipGamma(parts: readonly Resonator[], frequencyMHz: number): Complex {
  const admittance = parts.reduce(
    (sum, { atMHz, ohm, quality }) =>
      sum.add(new Complex(ohm, ohm * quality * (frequencyMHz / atMHz - atMHz / frequencyMHz)).inverse()),
    new Complex(0, 0),
  )
  const z = admittance.inverse()
  return gammaOfImpedance({ r: z.re, x: z.im }, 50)
}

/** What comes back along a length of the lead and returns, as a factor. */
function outAndBack(lengthM: number, frequencyMHz: number): Complex {
  const { lossDb, lengthM: whole, velocityFactor, atMHz } = LEAD_TRUTH
  const db = 2 * lossDb * Math.sqrt(frequencyMHz / atMHz) * (lengthM / whole)
  const turn = (-4 * Math.PI * frequencyMHz * lengthM) / (velocityFactor * LIGHT_M_PER_US)
  return new Complex({ abs: 10 ** (-db / 20), arg: turn })
}

/** The true reflection of what is on the lead, against 50 ohm. @param wobble -1 to 1: how a loose plug stands now */
export function truth(what: OnTheLead, standards: Standards, frequencyMHz: number, wobble: number): Complex {
  const piece = STANDARDS.find((s) => s === what)
  if (piece) return standardGamma(piece, standards, frequencyMHz, 50)
  switch (what) {
    case 'whip':
    case 'whip-counterpoise':
    case 'whip-hand':
      return whipGamma(WHIP[what], frequencyMHz)
    case 'loose':
      return whipGamma(
        WHIP.whip.map((r) => ({
          ...r,
          ohm: r.ohm * (1 + 0.3 * wobble),
          atMHz: r.atMHz * (1 + 0.012 * wobble),
        })),
        frequencyMHz,
      )
    case 'lead-open':
      return outAndBack(LEAD_TRUTH.lengthM, frequencyMHz)
    case 'lead-short':
      return outAndBack(LEAD_TRUTH.lengthM, frequencyMHz).mul(-1)
    default: {
      const { fault, faultM, lengthM } = LEAD_TRUTH
      const there = outAndBack(faultM, frequencyMHz).mul(fault)
      return there.add(outAndBack(lengthM, frequencyMHz).mul(1 - fault * fault))
    }
  }
}
