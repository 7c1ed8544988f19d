import { describe, expect, it } from 'vitest'
import { LEAD_TRUTH, truth, type OnTheLead } from '@/core/sim/bench'
import { sweepGrid } from '../instrument'
import { IDEAL_STANDARDS } from '../sweep/calibration'
import type { Sweep } from '../sweep/sweep'
import { leadMeasured, velocityFactorOf } from './leadMeasured'
import { partOfWave, resonatesAt } from './partOfWave'
import { atAntenna, highestSeen } from './throughLead'
import { reflectionsOf, timeDomain } from './timeDomain'

const sweptAs = (what: OnTheLead, span = { fromMHz: 50, toMHz: 550, points: 401 }): Sweep => {
  const f = sweepGrid(span)
  const g = f.map((mhz) => truth(what, IDEAL_STANDARDS, mhz, 0))
  return { frequencyMHz: f, re: g.map((v) => v.re), im: g.map((v) => v.im), ohm: 50, phase: true }
}

describe('a lead, by its open end', () => {
  it('has the loss, delay and velocity factor that it was made with', () => {
    const m = leadMeasured([sweptAs('lead-open'), sweptAs('lead-short')])
    const at = m.frequencyMHz.findIndex((f) => f >= LEAD_TRUTH.atMHz)
    expect(m.lossDb[at]).toBeCloseTo(LEAD_TRUTH.lossDb, 2)
    // 12 m / (0.83 · 0.2998 m/ns)
    expect(m.delayNs).toBeCloseTo(12 / (0.83 * 0.299792458), 3)
    expect(velocityFactorOf(LEAD_TRUTH.lengthM, m.electricalM)).toBeCloseTo(0.83, 4)
    expect(m.offLineDeg).toBeLessThan(0.1)
  })

  it('wants phase, and the same frequencies at both ends', () => {
    expect(() => leadMeasured([{ ...sweptAs('lead-open'), phase: false }])).toThrow(/phase/)
    const other = sweptAs('lead-short', { fromMHz: 50, toMHz: 500, points: 401 })
    expect(() => leadMeasured([sweptAs('lead-open'), other])).toThrow(/same frequencies/)
  })
})

describe('distance', () => {
  it('finds the fault and the far end to a cell', () => {
    const t = timeDomain(sweptAs('lead-fault'), LEAD_TRUTH.velocityFactor)
    // 2.00 bins of v c/(2 · 500 MHz)
    expect(t.resolutionM).toBeCloseTo((2 * 0.83 * 299.792458) / 1000, 6)
    const [fault, end] = reflectionsOf(t)
    expect(Math.abs(fault!.distanceM - LEAD_TRUTH.faultM)).toBeLessThan(t.resolutionM / 4)
    expect(Math.abs(end!.distanceM - LEAD_TRUTH.lengthM)).toBeLessThan(t.resolutionM / 4)
    // What comes back from the fault, less the lead's loss there and back.
    expect(fault!.size).toBeGreaterThan(0.1)
    expect(fault!.size).toBeLessThan(LEAD_TRUTH.fault)
    // v c/(2 · 1.25 MHz)
    expect(t.rangeM).toBeCloseTo((0.83 * 299.792458) / 2.5, 6)
  })

  it('is the transform that numpy makes', () => {
    // numpy.fft.ifft of the same Γ (three points 1, j, -1; Hann, padded to 32), size times 32 over the weight 2.5
    const s: Sweep = { frequencyMHz: [100, 101, 102], re: [1, 0, -1], im: [0, 1, 0], ohm: 50, phase: true }
    const t = timeDomain(s, 1)
    const numpy = [0.6666666667, 0.6016365593, 0.5391055225, 0.481476589, 0.4309644063, 0.3895101292]
    numpy.forEach((v, i) => expect(t.size[i]).toBeCloseTo(v, 9))
  })

  it('wants phase', () => {
    expect(() => timeDomain({ ...sweptAs('lead-open'), phase: false }, 0.8)).toThrow(/phase/)
  })
})

describe('a match seen through a lead', () => {
  it('is worse at the antenna by the loss there and back', () => {
    // 16 dB through 3 dB: 10 dB; SWR 1.925 (textbook)
    const at = atAntenna(16, 3)!
    expect(at.returnLossDb).toBeCloseTo(10, 12)
    expect((1 + at.size) / (1 - at.size)).toBeCloseTo(1.925, 3)
    expect(atAntenna(5, 3)).toBeNull()
    // 6 dB out and back: |Γ| 0.501, SWR 3.01
    expect(highestSeen(3)).toBeCloseTo(3.01, 2)
  })
})

describe('a length', () => {
  it('is a part of a wave: 41 mm at 868 MHz in solid coax are 0.180', () => {
    // 0.041 / (299.792458/868 · 0.66), by hand
    expect(partOfWave(0.041, 868, 0.66).waves).toBeCloseTo(0.17986, 5)
    expect(partOfWave(0.041, 868, 0.66).degrees).toBeCloseTo(64.75, 2)
    expect(() => partOfWave(0, 868, 0.66)).toThrow(RangeError)
  })

  it('resonates first as a quarter wave: 0.5 m of rod at 142.4 MHz', () => {
    const [first] = resonatesAt(0.5, 0.95)
    expect(first!.fraction.id).toBe('1/4')
    // 0.25 · 0.95 · 299.792458/0.5
    expect(first!.frequencyMHz).toBeCloseTo(142.401, 3)
  })
})
