import Complex from 'complex.js'
import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats'
import { simulatedAnalyser, truth } from '@/core/sim/bench'
import { readComplexData, sweepGrid, sweepLines } from '../instrument'
import {
  corrected,
  IDEAL_STANDARDS,
  leadHeld,
  loadAgainDb,
  openOrShort,
  solveErrorTerms,
  standardGamma,
  STANDARDS,
  stepProblems,
  swrDoubt,
  type Measured,
  type StandardName,
} from './calibration'
import { gammaAt, type Sweep } from './sweep'

const sweepOf = (frequencyMHz: number[], gamma: (f: number) => Complex): Sweep => {
  const g = frequencyMHz.map(gamma)
  return { frequencyMHz, re: g.map((v) => v.re), im: g.map((v) => v.im), ohm: 50, phase: true }
}

const SPAN = { fromMHz: 400, toMHz: 470, points: 141 }
function swept(
  of: ReturnType<typeof simulatedAnalyser>,
  what: Parameters<typeof of.connect>[0],
  span = SPAN,
): Sweep {
  of.connect(what)
  sweepLines(span).forEach((l) => of.say(l))
  expect(of.say('INIT:IMM;*OPC?')).toBe('1')
  const read = readComplexData(of.say('CALC:DATA? SDAT')!, span.points)
  if (!read.ok) throw new Error(read.problems[0]!.message)
  return { frequencyMHz: sweepGrid(span), ...read.value, ohm: 50, phase: true }
}
const calibrationOf = (of: ReturnType<typeof simulatedAnalyser>, span = SPAN): Measured =>
  Object.fromEntries(STANDARDS.map((s) => [s, swept(of, s, span)])) as Measured

describe('the three-term model', () => {
  it('gives back any reflection through any error box, to 1e-9', () => {
    const random = seededRandom(5)
    const any = (size: number) => new Complex({ abs: size * random.uniform(), arg: 6.3 * random.uniform() })
    for (let round = 0; round < 200; round++) {
      const [e00, e11, tracking] = [
        any(0.4),
        any(0.4),
        new Complex({ abs: 0.5 + random.uniform(), arg: 6 * random.uniform() }),
      ]
      const through = (g: Complex) => e00.add(tracking.mul(g).div(new Complex(1, 0).sub(e11.mul(g))))
      const standards = { openFarad: 60, openDelayPs: 12, shortDelayPs: 9, loadOhm: 50.4 }
      const f = [100 + 900 * random.uniform()]
      const measured = Object.fromEntries(
        STANDARDS.map((s) => [s, sweepOf(f, (mhz) => through(standardGamma(s, standards, mhz, 50)))]),
      ) as Measured
      const terms = solveErrorTerms(measured, standards)
      const wanted = any(1)
      const found = gammaAt(
        corrected(
          sweepOf(f, () => through(wanted)),
          terms,
        ),
        0,
      )
      expect(found.sub(wanted).abs()).toBeLessThan(1e-9)
      expect(terms.e00[0]!.sub(e00).abs()).toBeLessThan(1e-9)
      expect(terms.e11[0]!.sub(e11).abs()).toBeLessThan(1e-9)
    }
  })

  it('refuses another span', () => {
    const of = simulatedAnalyser(1)
    const terms = solveErrorTerms(calibrationOf(of), IDEAL_STANDARDS)
    expect(() => corrected(swept(of, 'whip', { ...SPAN, points: 101 }), terms)).toThrow(/another span/)
  })

  it('has an open with fringe capacitance as numpy has it: 60 fF at 1000 MHz turn it by -2.16 degrees', () => {
    // numpy: degrees(angle((1 - 1j*w*C*50)/(1 + 1j*w*C*50))), w = 2 pi 1e9, C = 60e-15
    const g = standardGamma('open', { ...IDEAL_STANDARDS, openFarad: 60 }, 1000, 50)
    expect((g.arg() * 180) / Math.PI).toBeCloseTo(-2.1597, 3)
  })
})

describe('the simulated analyser, calibrated', () => {
  it('shows a load below -40 dB and the antenna as it is', () => {
    for (const seed of [1, 2, 3, 4, 5]) {
      const of = simulatedAnalyser(seed)
      const terms = solveErrorTerms(calibrationOf(of), IDEAL_STANDARDS)
      expect(loadAgainDb(corrected(swept(of, 'load'), terms))).toBeGreaterThan(40)
      const whip = corrected(swept(of, 'whip-counterpoise'), terms)
      whip.frequencyMHz.forEach((f, i) =>
        expect(
          gammaAt(whip, i)
            .sub(truth('whip-counterpoise', IDEAL_STANDARDS, f, 0))
            .abs(),
        ).toBeLessThan(0.012),
      )
    }
  })

  it('has an open again tell a lead that was moved, by the 60 ps it was moved by', () => {
    const of = simulatedAnalyser(1)
    const terms = solveErrorTerms(calibrationOf(of), IDEAL_STANDARDS)
    const again = () => leadHeld(corrected(swept(of, 'open'), terms), IDEAL_STANDARDS)
    expect(again().holds).toBe(true)
    of.moveLead()
    expect(again().holds).toBe(false)
    expect(again().movedPs).toBeCloseTo(60, -0.5)
  })
})

describe('a step of calibrating', () => {
  const taken = (seed: number) => calibrationOf(simulatedAnalyser(seed))
  const codes = (which: StandardName, m: Partial<Measured>) =>
    stepProblems(which, m, IDEAL_STANDARDS).map((p) => p.code)

  it('is taken where it is right', () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const m = taken(seed)
      for (const s of STANDARDS) expect(codes(s, m)).toEqual([])
    }
  })

  it('finds open and short swapped, on a span wide enough to tell', () => {
    const of = simulatedAnalyser(3)
    const wide = { fromMHz: 50, toMHz: 470, points: 401 }
    const m = calibrationOf(of, wide)
    expect(openOrShort(m.open)).toBe('open')
    expect(openOrShort(m.short)).toBe('short')
    expect(openOrShort(taken(3).open)).toBeNull()
    expect(codes('open', { open: m.short })).toEqual(['swapped'])
    expect(codes('short', { short: m.open })).toEqual(['swapped'])
  })

  it('finds one piece measured twice, a load in the place of the open, an open in the place of the load', () => {
    const m = taken(4)
    expect(codes('short', { open: m.open, short: m.open })).toContain('same-piece')
    expect(codes('open', { open: m.load })).toEqual(['not-total'])
    expect(codes('load', { open: m.open, load: m.short })).toEqual(['no-load'])
  })

  it('finds a lead that was moved between', () => {
    const of = simulatedAnalyser(2)
    const open = swept(of, 'open')
    for (let i = 0; i < 3; i++) of.moveLead()
    expect(codes('short', { open, short: swept(of, 'short') })).toEqual(['lead-moved'])
  })
})

describe('what an SWR is worth', () => {
  it('is 1.40 to 1.60 for 1.5 at 30 dB of directivity', () => {
    // |Γ| 0.2 ± 10^(-30/20) = 0.1684 to 0.2316; by hand (1 + Γ)/(1 - Γ)
    const { low, high } = swrDoubt(1.5, 30)
    expect(low).toBeCloseTo(1.405, 3)
    expect(high).toBeCloseTo(1.6029, 3)
    expect(swrDoubt(1, 40).low).toBe(1)
  })
})
