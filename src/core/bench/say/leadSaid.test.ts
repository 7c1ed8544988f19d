import { describe, expect, it } from 'vitest'
import { LEAD_TRUTH, truth, type OnTheLead } from '@/core/sim/bench'
import { sweepGrid } from '../instrument'
import { leadMeasured, reflectionsOf, timeDomain } from '../line'
import { IDEAL_STANDARDS } from '../sweep/calibration'
import type { Sweep } from '../sweep/sweep'
import { faultsSaid, leadSaid, lossAt } from './leadSaid'

const metres = (m: number) => `${m.toFixed(1)} m`
const swept = (what: OnTheLead): Sweep => {
  const f = sweepGrid({ fromMHz: 50, toMHz: 550, points: 401 })
  const g = f.map((mhz) => truth(what, IDEAL_STANDARDS, mhz, 0))
  return { frequencyMHz: f, re: g.map((v) => v.re), im: g.map((v) => v.im), ohm: 50, phase: true }
}

describe('what is said of a lead', () => {
  it('is what it was made with', () => {
    const m = leadMeasured([swept('lead-open')])
    // 10^(-1.8/10) = 66 %; 12 m / 0.83 = 14.46 m
    expect(leadSaid(m, { atMHz: 435, lengthM: 12 }, metres)).toEqual([
      'It takes 1.80 dB at 435.0 MHz, one way: 66 % of the power comes through.',
      'Velocity factor 0.830: its phase is that of 14.5 m of air.',
    ])
    expect(leadSaid(m, { atMHz: 900, lengthM: 3 }, metres)).toEqual([
      '900.0 MHz lies outside the sweep.',
      expect.stringContaining('cannot be'),
    ])
    expect(lossAt(m, 40)).toBeNull()
  })

  it('has the fault where it is, and warns of what it does to the rest', () => {
    const s = swept('lead-fault')
    const t = timeDomain(s, LEAD_TRUTH.velocityFactor)
    expect(faultsSaid(t, reflectionsOf(t), 12, metres)).toMatch(
      /^Something on the way reflects at 7\.5 m \(1\d % of the voltage\)/,
    )
    expect(leadSaid(leadMeasured([s]), { atMHz: 435, lengthM: 12 }, metres).join(' ')).toMatch(
      /phase wanders/,
    )
    const whole = timeDomain(swept('lead-open'), LEAD_TRUTH.velocityFactor)
    expect(faultsSaid(whole, reflectionsOf(whole), 12, metres)).toBe('Nothing reflects before the far end.')
  })
})
