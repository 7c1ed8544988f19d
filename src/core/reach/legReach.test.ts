import { describe, expect, it } from 'vitest'
import { direct } from '@/core/geo'
import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import { BASE, LINK } from '@/core/testing/flatGround'
import type { Correction } from './correction/correction'
import { priorCorrection } from './correction/learnCorrection'
import { reachOnLegs, type LegReachAsk } from './legReach'
import { legReachText } from './legReachText'
import { linkKey } from './linkKey'
import { wayKey, type AskedPlace } from './map/jointDraws'

/** A log that taught that nothing is off, and leaves no doubt. */
const CERTAIN: Correction = (() => {
  const prior = priorCorrection([linkKey(LINK)])
  return {
    ...prior,
    covariance: prior.covariance.map((row) => row.map((_, j) => (j === row.length - 1 ? 1e-9 : 0))),
    shadowDb: 1e-3,
    ownDb: 1e-3,
  }
})()
const NEED = CERTAIN.callDb * normalQuantile(0.9)

/** Places every 250 m, with a margin over what is needed in either way. */
const leg = (toBase: (m: number) => number, fromBase = toBase): LegReachAsk => ({
  legs: [
    {
      legId: 'l1',
      legName: 'Shore',
      stops: Array.from({ length: 16 }, (_, i): AskedPlace => {
        const distanceM = 250 * (i + 1)
        return {
          place: direct(BASE, 90, distanceM),
          distanceM,
          predictedDb: {
            [wayKey(LINK, 'to base')]: NEED + toBase(distanceM),
            [wayKey(LINK, 'from base')]: NEED + fromBase(distanceM),
          },
        }
      }),
    },
  ],
  links: [LINK],
  directions: ['to base', 'from base'],
  correction: CERTAIN,
  reliability: 0.9,
})
const falling = (m: number) => (2130 - m) / 50

describe('how far along a leg, over its own ground', () => {
  it('is where the margin over what is needed is gone, between two places', () => {
    const [found] = reachOnLegs(leg(falling))
    expect(Math.abs(found!.estimateM! - 2130)).toBeLessThan(20)
    expect(legReachText(found!, 'metric')).toMatch(/^about 2\.1 km \(2\.1 to 2\.[12] km\)$/)
  })

  it('is that of the worse way', () => {
    const [found] = reachOnLegs(leg(falling, (m) => falling(m + 600)))
    expect(Math.abs(found!.estimateM! - 1530)).toBeLessThan(20)
  })

  it('ends at the first gap, and says where it is copied again', () => {
    const [found] = reachOnLegs(leg((m) => (m > 900 && m < 1400 ? -10 : falling(m - 900))))
    expect(found!.estimateM!).toBeGreaterThan(750)
    expect(found!.estimateM!).toBeLessThan(1000)
    expect(found!.againM!).toBeGreaterThan(1250)
    expect(found!.againM!).toBeLessThan(1500)
    expect(legReachText(found!, 'metric')).toMatch(/^about .*, and copied again from 1\.[34] km$/)
  })

  it('all the way is no figure, and lost at once is said', () => {
    const [whole] = reachOnLegs(leg(() => 20))
    expect([whole!.estimateM, whole!.lowM, whole!.highM]).toEqual([null, null, null])
    expect(legReachText(whole!, 'metric')).toBe('all the way out to 4.0 km')
    const [none] = reachOnLegs(leg(() => -20))
    expect(legReachText(none!, 'metric')).toBe('not copied so surely, not even 250 m out')
  })

  it('is the less the more is wanted, and the wider the less is known', () => {
    const ask = leg(falling)
    const doubtful = { ...ask, correction: null }
    const at = (reliability: number) => reachOnLegs({ ...doubtful, reliability })[0]!
    const [half, often] = [at(0.5), at(0.9)]
    expect(often.estimateM!).toBeLessThan(half.estimateM!)
    expect(often.lowM!).toBeLessThan(reachOnLegs(ask)[0]!.lowM!)
  })

  it('of too few places, or of no link, there is none', () => {
    const ask = leg(falling)
    expect(reachOnLegs({ ...ask, links: [] })).toEqual([])
    expect(
      reachOnLegs({ ...ask, legs: [{ ...ask.legs[0]!, stops: ask.legs[0]!.stops.slice(0, 3) }] }),
    ).toEqual([])
  })
})
