import { describe, expect, it } from 'vitest'
import { direct, inverse } from '@/core/geo'
import { declinationAt } from '../fix/compass'
import { fixOf, nextStand } from '../fix/fix'
import { trueBearings, type TakenBearing } from '../fix/taken'
import { fixSaid, nextStandSaid } from './fixSaid'

const HERE = { lat: 47.3, lon: -29.6 }
const TRUTH = direct(HERE, 60, 2400)
const DAY = '2026-06-01'
const taken = (offs: readonly number[], change: Partial<TakenBearing> = {}): TakenBearing[] =>
  [180, 90, 300, 20].slice(0, offs.length).map((b, i) => {
    const stand = direct(HERE, b, 1200 + 300 * i)
    return {
      ...{
        id: `b${i}`,
        name: `Stand ${i + 1}`,
        ...stand,
        compass: false,
        way: 'peak' as const,
        sdDeg: 3,
        left: false,
      },
      bearingDeg: inverse(stand, TRUTH).bearingDeg + offs[i]!,
      ...change,
    }
  })
const fixed = (t: TakenBearing[]) => {
  const bearings = trueBearings(t, DAY)
  const fix = fixOf(bearings)
  if (!fix.ok) throw new Error(fix.problems[0]!.message)
  return { fix: fix.value, bearings, said: fixSaid(fix.value, bearings, 'metric') }
}

describe('bearings as they are taken', () => {
  it('are made true by the declination of the place and day, and turned about the body', () => {
    const { deg } = declinationAt(HERE, new Date(`${DAY}T12:00:00Z`))
    const [b] = trueBearings(taken([0], { bearingDeg: 100, compass: true, ...HERE }), DAY)
    expect(b!.bearingDeg).toBeCloseTo(100 + deg, 6)
    expect(trueBearings(taken([0], { bearingDeg: 100, way: 'shadow' }), DAY)[0]!.bearingDeg).toBe(280)
    expect(trueBearings(taken([0], { bearingDeg: 370, way: 'loop' }), DAY)[0]).toMatchObject({
      bearingDeg: 10,
      bothWays: true,
    })
    expect(trueBearings(taken([0, 0], { left: true }), DAY)).toEqual([])
  })
})

describe('what is said of a fix', () => {
  it('names the place and how sure it is, and that two cannot disagree', () => {
    const two = fixed(taken([0, 0]))
    expect(two.said.headline).toMatch(
      /^It is near 47\.31\d{3}, -29\.57\d{3}: with 90 chances of 100 within [\d.]+ k?m along \d{3}° and [\d.]+ k?m across\.$/,
    )
    expect(two.said.more).toEqual([expect.stringContaining('Take a third')])
    expect(fixed(taken([1, -1, 1])).said.more[0]).toBe('They agree within their spreads.')
  })

  it('points at the one that disagrees', () => {
    expect(fixed(taken([0, 1, 35, 0])).said.more[0]).toMatch(/^The bearing of Stand 3 disagrees/)
  })

  it('sends to the side that narrows it', () => {
    const { fix, bearings } = fixed(taken([0, 0, 0]))
    expect(nextStandSaid(nextStand(fix, bearings, 3, 500, 1500), 'metric')).toMatch(
      /^Stand 500 m [a-z-]+ of it next: one more bearing from there leaves \d+ % of the ellipse\.$/,
    )
  })
})
