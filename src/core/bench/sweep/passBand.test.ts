import { describe, expect, it } from 'vitest'
import { IDEAL_STANDARDS } from './calibration'
import { truth, WHIP } from '@/core/sim/bench'
import { sweepGrid } from '../instrument'
import { adviseSpan, spanProblems, sweepFaults } from './advice'
import { limitOfReturnLoss, limitOfSwr, passBand, stretchesWithin, usableWidths } from './passBand'
import { ownQuality, qualityOf, resonances, tooLongM } from './resonance'
import { impedanceOf, gammaOfImpedance, readAt, renormalised, type Sweep } from './sweep'

/** Only sizes at frequencies: as a file of SWR gives them. */
const flat = (frequencyMHz: number[], size: number[]): Sweep => ({
  frequencyMHz,
  re: size,
  im: size.map(() => 0),
  ohm: 50,
  phase: false,
})
const whip = (what: keyof typeof WHIP, points = 401): Sweep => {
  const f = sweepGrid({ fromMHz: 380, toMHz: 560, points })
  const g = f.map((mhz) => truth(what, IDEAL_STANDARDS, mhz, 0))
  return { frequencyMHz: f, re: g.map((v) => v.re), im: g.map((v) => v.im), ohm: 50, phase: true }
}
const BAND = { fromMHz: 433, toMHz: 437 }

describe('a limit', () => {
  it('is the same as SWR and as return loss', () => {
    // SWR 2 is |Γ| 1/3 and 9.54 dB; textbook
    expect(limitOfSwr(2).returnLossDb).toBeCloseTo(9.542, 3)
    expect(limitOfReturnLoss(9.5424).swr).toBeCloseTo(2, 4)
    expect(limitOfReturnLoss(20).swr).toBeCloseTo(1.2222, 4)
  })
})

describe('a pass band', () => {
  it('has its edges where the trace crosses, between points', () => {
    // |Γ| falls from 0.5 to 0.1 and rises again, 10 MHz a step: 0.3 is crossed half way
    const s = flat([430, 440, 450, 460], [0.5, 0.1, 0.1, 0.5])
    expect(stretchesWithin(s, 0.3)).toEqual([
      { fromMHz: 435, toMHz: 455, openBelow: false, openAbove: false },
    ])
    const p = passBand(s, { fromMHz: 438, toMHz: 452 }, 2)
    expect(p.passes).toBe(true)
    // 0.1 + 0.4·0.2 = 0.18 at both ends: 14.89 dB, less 9.54
    expect(p.marginDb.low).toBeCloseTo(14.895 - 9.542, 2)
    expect(p.marginDb.worst).toBeCloseTo(14.895 - 9.542, 2)
  })

  it('fails where a spike inside the band crosses it, and where a part was not measured', () => {
    const s = flat([430, 435, 440, 445, 450], [0.2, 0.2, 0.6, 0.2, 0.2])
    const p = passBand(s, { fromMHz: 431, toMHz: 449 }, 2)
    expect(p.passes).toBe(false)
    expect(p.worst.frequencyMHz).toBe(440)
    expect(p.stretches).toHaveLength(2)
    expect(passBand(flat([430, 440], [0.1, 0.1]), { fromMHz: 435, toMHz: 445 }, 2).passes).toBe(false)
    expect(() => passBand(s, { fromMHz: 500, toMHz: 510 }, 2)).toThrow(/nothing of the band/)
  })

  it('says that an edge is the sweep’s own, not the antenna’s', () => {
    const [only] = stretchesWithin(flat([430, 440], [0.1, 0.1]), 0.3)
    expect(only).toMatchObject({ openBelow: true, openAbove: true })
  })

  it('has widths that are those of a fine numpy search', () => {
    // numpy, 2,000,001 points of the same two resonators: SWR 2 from 418.494 to 456.054 MHz
    const width = usableWidths(whip('whip-counterpoise'), 434.6, [2])[0]!.stretch!
    expect(width.fromMHz).toBeCloseTo(418.494, 1)
    expect(width.toMHz).toBeCloseTo(456.054, 1)
  })
})

describe('resonances', () => {
  it('tell the band’s own from another, and what is too long', () => {
    const found = resonances(whip('whip-counterpoise'), BAND)
    const own = found.find((r) => r.own)!
    // numpy: least |Γ| at 436.48 MHz, 26.6 dB; points lie 0.45 MHz apart
    expect(Math.abs(own.at.frequencyMHz - 436.48)).toBeLessThan(0.5)
    expect(own.at.returnLossDb).toBeCloseTo(26.6, 0)
    // 0.165 m at 430 wanted at 440: 0.165 (1 - 430/440)
    expect(tooLongM(0.165, 430, 440) * 1000).toBeCloseTo(3.75, 6)
    expect(tooLongM(0.165, 450, 440)).toBeLessThan(0)
  })

  it('have the quality of Yaghjian and Best', () => {
    // (2 - 1)/√2 · 435/6
    expect(qualityOf({ fromMHz: 432, toMHz: 438 }, 435, 2)).toBeCloseTo(51.265, 2)
    // A single series resonator of quality 20, matched: the width at SWR 2 gives its quality back.
    const f = sweepGrid({ fromMHz: 380, toMHz: 490, points: 1101 })
    const g = f.map((mhz) => gammaOfImpedance({ r: 50, x: 50 * 20 * (mhz / 435 - 435 / mhz) }, 50))
    const s: Sweep = { frequencyMHz: f, re: g.map((v) => v.re), im: g.map((v) => v.im), ohm: 50, phase: true }
    // The reactance of a series circuit rises by 2 Q R a relative frequency, and Q of the antenna is Q of the circuit.
    expect(ownQuality(s, resonances(s, null)[0]!)).toBeCloseTo(20, 0)
  })

  it('are none on a flat trace', () => {
    expect(resonances(flat([1, 2, 3, 4], [0.3, 0.29, 0.3, 0.3]), null)).toEqual([])
  })
})

describe('a reading', () => {
  it('has the impedance of its reflection, and back', () => {
    // 25 + j25 against 50: Γ = (-25 + j25)/(75 + j25) = -0.2 + j0.4
    const g = gammaOfImpedance({ r: 25, x: 25 }, 50)
    expect([g.re, g.im].map((v) => Number(v.toFixed(12)))).toEqual([-0.2, 0.4])
    expect(impedanceOf(g, 50)).toEqual({ r: expect.closeTo(25, 9), x: expect.closeTo(25, 9) })
    const s: Sweep = { frequencyMHz: [1, 2], re: [g.re, g.re], im: [g.im, g.im], ohm: 50, phase: true }
    expect(readAt(renormalised(s, 75), 1.5)!.ohms!.x).toBeCloseTo(25, 9)
    expect(() => renormalised({ ...s, phase: false }, 75)).toThrow(/without phase/)
    expect(readAt(s, 3)).toBeNull()
  })
})

describe('a span', () => {
  it('is advised wider than the band, with points enough', () => {
    const a = adviseSpan({ fromMHz: 430, toMHz: 440 })
    expect(a.fromMHz).toBeLessThanOrEqual(390)
    expect(a.toMHz).toBeGreaterThanOrEqual(480)
    expect(spanProblems(a, { fromMHz: 430, toMHz: 440 })).toEqual([])
    for (const band of [
      { fromMHz: 433, toMHz: 434.8 },
      { fromMHz: 3, toMHz: 30 },
      { fromMHz: 2400, toMHz: 2483.5 },
    ])
      expect(spanProblems(adviseSpan(band), band)).toEqual([])
  })

  it('that misses the band, or is too coarse for it, is told with what would do', () => {
    const codes = (span: Parameters<typeof spanProblems>[0]) =>
      spanProblems(span, { fromMHz: 430, toMHz: 440 }).map((p) => p.code)
    expect(codes({ fromMHz: 435, toMHz: 500, points: 201 })).toEqual(['span-misses'])
    expect(codes({ fromMHz: 100, toMHz: 900, points: 101 })).toEqual(['few-points'])
    expect(codes({ fromMHz: 500, toMHz: 400, points: 101 })).toEqual(['span'])
  })
})

describe('what can be wrong with a sweep', () => {
  const codes = (s: Sweep) => sweepFaults(s, { fromMHz: 430, toMHz: 440 }).map((f) => f.code)
  it('is told', () => {
    expect(codes(flat([430, 440], [NaN, 0.1]))).toContain('no-number')
    expect(codes(flat([430], [0.1]))).toEqual(['too-few'])
    expect(codes(flat([440, 430], [0.1, 0.1]))).toContain('order')
    expect(codes(flat([430, 440], [1.3, 0.1]))).toContain('more-than-all')
    expect(codes(flat([500, 510], [0.1, 0.1]))).toEqual(['span-misses'])
    expect(codes(flat([435, 450], [0.1, 0.1]))).toEqual(['span-short', 'few-points'])
    expect(codes(flat([420, 450], [0.1, 0.1]))).toEqual(['few-points'])
  })
})
