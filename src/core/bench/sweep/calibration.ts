import Complex from 'complex.js'
import { problem, type Problem } from '@/core/outcome'
import { gammaOfSwr, returnLossDb } from '@/core/rf'
import { phaseLine } from './phaseLine'
import { gammaAt, readings, sameFrequencies, swrOfSize, type Sweep } from './sweep'

export const STANDARDS = ['open', 'short', 'load'] as const
export type StandardName = (typeof STANDARDS)[number]

/** What calibration pieces are like. All zero, and a load of z0, is the ideal. */
export interface Standards {
  /** Fringe capacitance of the open, fF, 0 or more. */
  openFarad: number
  /** One-way delay from the reference plane to the open and to the short, ps. */
  openDelayPs: number
  shortDelayPs: number
  /** Of the load, ohm. */
  loadOhm: number
}

export const IDEAL_STANDARDS: Standards = { openFarad: 0, openDelayPs: 0, shortDelayPs: 0, loadOhm: 50 }

/** The three measured, over the same frequencies. */
export type Measured = Record<StandardName, Sweep>

/** Error terms of one port at each frequency: directivity e00, source match e11, reflection tracking e10e01. */
export interface ErrorTerms {
  frequencyMHz: number[]
  e00: Complex[]
  e11: Complex[]
  e10e01: Complex[]
}

const turned = (frequencyMHz: number, delayPs: number) =>
  new Complex({ abs: 1, arg: -4 * Math.PI * frequencyMHz * delayPs * 1e-6 })

/** Reflection of a calibration piece. @param ohm reference impedance */
export function standardGamma(which: StandardName, s: Standards, frequencyMHz: number, ohm: number): Complex {
  if (which === 'load') return new Complex((s.loadOhm - ohm) / (s.loadOhm + ohm), 0)
  if (which === 'short') return turned(frequencyMHz, s.shortDelayPs).mul(-1)
  // An open with fringe capacitance: (1 - jωCZ)/(1 + jωCZ).
  const wCZ = 2 * Math.PI * frequencyMHz * 1e6 * s.openFarad * 1e-15 * ohm
  return new Complex(1, -wCZ).div(new Complex(1, wCZ)).mul(turned(frequencyMHz, s.openDelayPs))
}

/**
 * The three-term model of one port from open, short and load: Γm = e00 + e10e01 Γ/(1 - e11 Γ), which is linear in
 * e00, e11 and Δ = e00 e11 - e10e01 (Rytting, "Network analyzer error models and calibration methods").
 * @param measured over the same frequencies
 * @throws RangeError where frequencies differ
 */
export function solveErrorTerms(measured: Measured, standards: Standards): ErrorTerms {
  const { open } = measured
  if (!STANDARDS.every((n) => sameFrequencies(open.frequencyMHz, measured[n].frequencyMHz)))
    throw new RangeError('open, short and load must be measured over the same frequencies')
  const terms: ErrorTerms = { frequencyMHz: open.frequencyMHz, e00: [], e11: [], e10e01: [] }
  open.frequencyMHz.forEach((f, i) => {
    const rows = STANDARDS.map((n) => {
      const gamma = standardGamma(n, standards, f, open.ohm)
      const seen = gammaAt(measured[n], i)
      return { factors: [new Complex(1, 0), gamma.mul(seen), gamma.mul(-1)], seen }
    })
    const [e00, e11, delta] = solveThree(
      rows.map((r) => r.factors),
      rows.map((r) => r.seen),
    )
    terms.e00.push(e00!)
    terms.e11.push(e11!)
    terms.e10e01.push(e00!.mul(e11!).sub(delta!))
  })
  return terms
}

/** Three complex equations by Cramer's rule. */
function solveThree(a: Complex[][], b: Complex[]): Complex[] {
  const det = (m: Complex[][]) => {
    const minor = (i: number, j: number, k: number) =>
      m[0]![i]!.mul(m[1]![j]!.mul(m[2]![k]!).sub(m[1]![k]!.mul(m[2]![j]!)))
    return minor(0, 1, 2)
      .sub(minor(1, 0, 2))
      .add(minor(2, 0, 1))
  }
  const whole = det(a)
  return [0, 1, 2].map((column) =>
    det(a.map((row, r) => row.map((v, c) => (c === column ? b[r]! : v)))).div(whole),
  )
}

/** A raw sweep corrected: (Γm - e00)/(e10e01 + e11 (Γm - e00)). @throws RangeError where frequencies differ */
export function corrected(raw: Sweep, terms: ErrorTerms): Sweep {
  if (!sameFrequencies(raw.frequencyMHz, terms.frequencyMHz))
    throw new RangeError('the calibration is of another span or number of points')
  const made = raw.re.map((_, i) => {
    const above = gammaAt(raw, i).sub(terms.e00[i]!)
    return above.div(terms.e10e01[i]!.add(terms.e11[i]!.mul(above)))
  })
  return { ...raw, re: made.map((g) => g.re), im: made.map((g) => g.im) }
}

/** Least size of a raw open or short: less than this and something is in the way, or nothing is connected. */
const REFLECTS = 0.5
/** A raw load must lie so far below the open, dB. */
const LOAD_BELOW_DB = 10
/** The three terms of a usual port make open and short differ from opposite by less than this, radians. */
const PORT_TURNS = 0.5
/** More than this, and they are one piece. */
const ALIKE = 2
/** A span narrower than this part of its middle does not tell an open at the end of a lead from a short. */
const TELLS_APART = 0.45
/** A load measured again after calibrating must come back below this. */
export const LOAD_AGAIN_DB = 40

const meanSize = (s: Sweep) => readings(s).reduce((sum, r) => sum + r.size, 0) / s.re.length

/**
 * Open or short, by the phase where the lead's own turn is taken away; null where the span is too narrow for that.
 */
export function openOrShort(s: Sweep): 'open' | 'short' | null {
  const [low, high] = [s.frequencyMHz[0]!, s.frequencyMHz[s.frequencyMHz.length - 1]!]
  if (high - low < (TELLS_APART * (high + low)) / 2) return null
  const { atNought } = phaseLine(
    s.frequencyMHz,
    s.re.map((_, i) => gammaAt(s, i)),
  )
  const towardsOpen = Math.cos(atNought)
  if (Math.abs(towardsOpen) < 0.5) return null
  return towardsOpen > 0 ? 'open' : 'short'
}

/** A step of calibrating, held against what was taken before. Empty where it is right. */
export function stepProblems(which: StandardName, taken: Partial<Measured>, standards: Standards): Problem[] {
  const now = taken[which]
  if (!now) return []
  const size = meanSize(now)
  if (which === 'load') return loadProblems(size, taken)
  if (size < REFLECTS)
    return [
      problem(
        'not-total',
        which,
        `The ${which} sends back only ${Math.round(size * 100)} % of the voltage; nearly all should come. ${size < 0.2 ? 'Is the load still on?' : 'Is the piece screwed home?'}`,
      ),
    ]
  const told = openOrShort(now)
  if (told !== null && told !== which)
    return [
      problem(
        'swapped',
        which,
        `This looks like the ${told}, not the ${which}. Put the ${which} on, and measure it again.`,
      ),
    ]
  const other = which === 'open' ? taken.short : taken.open
  return other ? leadProblems(which, now, other, standards) : []
}

function loadProblems(size: number, { open, short }: Partial<Measured>): Problem[] {
  const total = open ?? short
  if (!total) return []
  const below = returnLossDb(size) - returnLossDb(meanSize(total))
  if (below >= LOAD_BELOW_DB) return []
  return [
    problem(
      'no-load',
      'load',
      `The load comes back only ${below.toFixed(0)} dB below the open; at least ${LOAD_BELOW_DB} dB are wanted. Is it the load, and screwed home?`,
    ),
  ]
}

/** Open against short: their ratio is -1 at every frequency while the lead stays as it is. */
function leadProblems(which: StandardName, now: Sweep, other: Sweep, standards: Standards): Problem[] {
  const [open, short] = which === 'open' ? [now, other] : [other, now]
  const ratio = open.frequencyMHz.map((f, i) =>
    gammaAt(open, i)
      .div(gammaAt(short, i))
      .div(standardGamma('open', standards, f, 50).div(standardGamma('short', standards, f, 50))),
  )
  // Their ratio is -1: what is left is 1 where all is well.
  const { middle } = phaseLine(open.frequencyMHz, ratio)
  const apart = Math.abs(Math.atan2(Math.sin(middle), Math.cos(middle)))
  if (apart > ALIKE)
    return [
      problem(
        'same-piece',
        which,
        'Open and short look alike. One of them was measured twice; put the other on, and measure again.',
      ),
    ]
  if (apart > PORT_TURNS)
    return [
      problem(
        'lead-moved',
        which,
        'Between open and short the lead became longer or shorter: it was moved, or changed. Fix it to the table, and begin again with the open.',
      ),
    ]
  return []
}

/** What an open measured again after calibrating says of the lead. */
export interface LeadHeld {
  /** How far it turned since, one way, ps, and in the middle of the span, degrees of Γ. */
  movedPs: number
  movedDeg: number
  holds: boolean
}

/** Beyond this the phase, and with it R and X, is off by more than a reading is worth. */
const HOLDS_DEG = 3

/** Whether lead and port are as they were when calibrated, by the open once more. @param again corrected */
export function leadHeld(again: Sweep, standards: Standards): LeadHeld {
  const f = again.frequencyMHz
  const { middle } = phaseLine(
    f,
    f.map((mhz, i) => gammaAt(again, i).div(standardGamma('open', standards, mhz, again.ohm))),
  )
  const movedDeg = (middle * 180) / Math.PI
  const middleMHz = (f[0]! + f[f.length - 1]!) / 2
  return {
    movedDeg,
    movedPs: (-middle / (4 * Math.PI * middleMHz)) * 1e6,
    holds: Math.abs(movedDeg) <= HOLDS_DEG,
  }
}

/** The least return loss of a load measured again, corrected, dB: what is left of the directivity. */
export const loadAgainDb = (again: Sweep) => Math.min(...readings(again).map((r) => r.returnLossDb))

/**
 * What an SWR may be, with a directivity that is left: |Γ| off by as much as leaks past, either way.
 * @param swr 1 or more @param directivityDb above 0
 * @example swrDoubt(1.5, 30) // 1.40 to 1.60
 */
export function swrDoubt(swr: number, directivityDb: number): { low: number; high: number } {
  const size = gammaOfSwr(swr)
  const off = 10 ** (-directivityDb / 20)
  return { low: swrOfSize(Math.max(0, size - off)), high: swrOfSize(size + off) }
}
