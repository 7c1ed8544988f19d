import { describe, expect, it } from 'vitest'
import { truth } from '@/core/sim/bench'
import { sweepGrid } from '../instrument'
import { IDEAL_STANDARDS } from '../sweep/calibration'
import type { Sweep } from '../sweep/sweep'
import { apartSaid, sweepSaid } from './sweepSaid'

const swept = (
  what: 'whip' | 'whip-counterpoise',
  span = { fromMHz: 380, toMHz: 560, points: 401 },
): Sweep => {
  const f = sweepGrid(span)
  const g = f.map((mhz) => truth(what, IDEAL_STANDARDS, mhz, 0))
  return { frequencyMHz: f, re: g.map((v) => v.re), im: g.map((v) => v.im), ohm: 50, phase: true }
}
const BAND = { fromMHz: 433, toMHz: 437 }
const limits = { band: BAND, limitSwr: 1.5, lengthM: 0.165, loadAgainDb: 50, leadDb: null }

describe('what is said of a sweep', () => {
  it('passes with the edges and what is to spare, by the numbers that numpy found', () => {
    const s = sweepSaid(swept('whip-counterpoise'), { ...limits, limitSwr: 2 })
    expect(s.verdict).toBe('passes')
    // numpy: SWR 2 from 418.49 to 456.05 MHz
    expect(s.more[0]).toBe(
      'The limit is met from 418.5 to 456.1 MHz: from 14.5 MHz below it to 19.1 MHz above it.',
    )
    expect(s.headline).toMatch(
      /^Passes: SWR 2 or better all over 433 to 437 MHz; the worst is 1\.1\d at 433.0 MHz/,
    )
    expect(s.more.join(' ')).toContain('inside the band')
  })

  it('fails without its counterpoise, and says by how many millimetres it is off', () => {
    const s = sweepSaid(swept('whip'), limits)
    expect(s.verdict).toBe('fails')
    expect(s.headline).toMatch(/^Fails: the SWR is \d\.\d\d at 43\d\.\d MHz; 1.5 is the limit\.$/)
    expect(s.more.join(' ')).toMatch(
      /\d\.\d mm too short for the middle of the band. Nothing can be cut on to it/,
    )
  })

  it('warns of a match that endangers the radio', () => {
    const bad: Sweep = { frequencyMHz: [430, 440], re: [0.7, 0.7], im: [0, 0], ohm: 50, phase: false }
    expect(sweepSaid(bad, limits).more[0]).toMatch(/^Do not transmit into it/)
    expect(sweepSaid(swept('whip-counterpoise'), limits).more[0]).not.toMatch(/Do not transmit/)
  })

  it('cannot tell where the calibration is worth less than what is to spare', () => {
    expect(
      sweepSaid(swept('whip-counterpoise'), { ...limits, limitSwr: 1.25, loadAgainDb: 22 }).verdict,
    ).toBe('cannot tell')
  })

  it('says that nobody calibrated, and what was not swept', () => {
    const s = sweepSaid(swept('whip-counterpoise', { fromMHz: 434, toMHz: 450, points: 101 }), {
      ...limits,
      loadAgainDb: null,
    })
    expect(s.verdict).toBe('fails')
    expect(s.headline).toMatch(/^Not shown: part of the band was not swept/)
    expect(s.more.at(-1)).toMatch(/^Not calibrated here/)
  })

  it('tells what a lead between hides', () => {
    const more = (leadDb: number) => sweepSaid(swept('whip'), { ...limits, leadDb }).more.join(' ')
    // 6.9 dB or so at the worst, less twice 2 dB
    expect(more(2)).toMatch(/Through 2.0 dB of lead the antenna itself stands at SWR \d/)
    // 10 dB one way is 20 dB there and back: |Γ| 0.1, SWR 1.22
    expect(more(10)).toMatch(/no SWR above 1.22 is ever seen.*less came back/)
  })

  it('names sweeps laid over each other, and what is missing', () => {
    const most = { frequencyMHz: 435, aDb: 20, bDb: 6 }
    const d = { verdict: 'differ' as const, p: 0.01, apart: 0.3, repeats: 0.02, most }
    expect(apartSaid('With it', 'without', d)).toBe(
      '“With it” and “without” differ by more than the sweeps repeat: most at 435.0 MHz 20.0 dB and 6.0 dB.',
    )
    expect(apartSaid('a', 'b', { ...d, verdict: 'cannot tell', repeats: null })).toMatch(
      /nothing was swept twice/,
    )
  })
})
