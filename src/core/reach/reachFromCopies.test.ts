import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats'
import { link as linkOf, rig } from '@/core/testing/plans'
import { firthLogistic, penalisedLogLikelihood } from './firthLogistic'
import { repeatedProbit } from './repeatedProbit'
import { reachFromCopies, worseReach, type CopyAt } from './reachFromCopies'
import { chanceOverSmoothGround } from './smoothGround'

const KM = [0.3, 0.6, 0.9, 1.2, 1.5, 1.8, 2.1, 2.4, 2.7, 3]
const SEPARATED = [1, 1, 1, 1, 1, 0, 0, 0, 0, 0]
const MIXED = [1, 1, 1, 0, 1, 1, 0, 1, 0, 0]

const checks = (copied: number[], repeats = 1): CopyAt[] =>
  KM.flatMap((km, i) =>
    Array.from({ length: repeats }, () => ({
      markId: `m${i}`,
      distanceM: km * 1000,
      copied: copied[i] === 1,
    })),
  )

describe('firthLogistic', () => {
  // Expected: R's optim on the penalised log likelihood written out by hand.
  const fit = (copied: number[]) =>
    firthLogistic(KM.map((km, i) => ({ x: Math.log10(km), copied: copied[i] === 1 })))
  it('agrees with direct maximisation, and stays finite on separated results', () => {
    const separated = fit(SEPARATED)
    expect(separated.intercept).toBeCloseTo(2.52696, 2)
    expect(separated.slope).toBeCloseTo(-12.51336, 2)
    expect(separated.logLikelihood).toBeCloseTo(-3.68684920028, 6)
    const mixed = fit(MIXED)
    expect(mixed.intercept).toBeCloseTo(0.94077, 3)
    expect(mixed.slope).toBeCloseTo(-3.61835, 3)
    expect(mixed.logLikelihood).toBeCloseTo(-5.91772466034, 7)
  })
  it('refuses results from one place', () => {
    expect(() =>
      firthLogistic([
        { x: 1, copied: true },
        { x: 1, copied: false },
      ]),
    ).toThrow(RangeError)
  })
})

describe('marks that are counted together', () => {
  it('weigh as many as they are, in either method', () => {
    const [x, copied] = [Math.log10(1.4), true]
    const apart = [
      { x, copied },
      { x, copied },
      { x, copied },
      { x: 0.5, copied: false },
      { x: 0, copied: true },
    ]
    const together = [
      { x, copied, times: 3 },
      { x: 0.5, copied: false },
      { x: 0, copied: true, times: 1 },
    ]
    for (const [a, b] of [
      [1, -4],
      [0.2, -12],
      [-3, 2],
    ] as const)
      expect(penalisedLogLikelihood(together, a, b)).toBeCloseTo(penalisedLogLikelihood(apart, a, b), 10)
    const count = { x, copied: 1, tries: 2 }
    const far = { x: 0.6, copied: 0, tries: 2 }
    const [one, two] = [
      repeatedProbit([count, count, far], 0.5),
      repeatedProbit([{ ...count, marks: 2 }, far], 0.5),
    ]
    for (const [place, slope] of [
      [0.2, 3],
      [0.4, 8],
      [0, 0],
    ] as const)
      expect(two(place, slope)).toBeCloseTo(one(place, slope), 10)
  })
})

describe('reachFromCopies', () => {
  // Expected: R, the profile of the same penalised likelihood over a grid of 2 mB with optimize() for the slope.
  it('agrees with a profile computed another way', () => {
    const half = reachFromCopies(checks(SEPARATED), 0.5)
    expect(half.estimateM! / 1000).toBeCloseTo(1.592, 1)
    expect(half.lowM! / 1000).toBeCloseTo(0.929, 1)
    expect(half.highM! / 1000).toBeCloseTo(2.168, 1)
    const nine = reachFromCopies(checks(SEPARATED), 0.9)
    expect(nine.estimateM! / 1000).toBeCloseTo(1.062, 1)
    expect(nine.lowM! / 1000).toBeCloseTo(0.181, 1)
    expect(nine.highM! / 1000).toBeCloseTo(1.607, 1)
    expect(reachFromCopies(checks(MIXED), 0.5).estimateM! / 1000).toBeCloseTo(1.82, 1)
  })
  it('says so where everything or nothing was copied, or marks are too few', () => {
    expect(reachFromCopies(checks(KM.map(() => 1)), 0.9)).toMatchObject({
      seen: 'all copied',
      estimateM: null,
      highM: null,
    })
    expect(reachFromCopies(checks(KM.map(() => 0)), 0.9)).toMatchObject({
      seen: 'none copied',
      estimateM: null,
      lowM: null,
    })
    expect(reachFromCopies(checks(MIXED).slice(0, 3), 0.9).seen).toBe('too few marks')
    expect(reachFromCopies([], 0.9).seen).toBe('too few marks')
  })
  it('takes repeats at a mark for less than as many marks', () => {
    const once = reachFromCopies(checks(SEPARATED), 0.5)
    const five = reachFromCopies(checks(SEPARATED, 5), 0.5)
    expect(five.method).toBe('random-intercept probit on lg distance')
    expect(Math.abs(Math.log10(five.estimateM! / once.estimateM!))).toBeLessThan(0.12)
    expect(five.highM! / five.lowM!).toBeGreaterThan(1.2)
  })
  it('of a long log, whose marks are put together, is what all of its marks say', () => {
    // Chance falls about 2.5 km. Expected: the line of Firth's regression over every mark by Newton's method,
    // another way to its top.
    const random = seededRandom(5)
    const long = Array.from({ length: 640 }, (_, i): CopyAt => {
      const distanceM = 300 + 9 * i
      const chance = 1 / (1 + Math.exp(14 * Math.log10(distanceM / 2500)))
      return { markId: `m${i}`, distanceM, copied: random.uniform() < chance }
    })
    const { intercept, slope } = firthLogistic(
      long.map((c) => ({ x: Math.log10(c.distanceM), copied: c.copied })),
    )
    for (const chance of [0.9, 0.5, 0.1]) {
      const expected = 10 ** ((Math.log(chance / (1 - chance)) - intercept) / slope)
      const found = reachFromCopies(long, chance)
      expect(found.marks).toBe(640)
      expect(Math.abs(found.estimateM! / expected - 1)).toBeLessThan(0.015)
      expect(found.lowM!).toBeLessThan(expected)
      expect(found.highM!).toBeGreaterThan(expected)
    }
  })
  it('of a long log with repeats stands where it stands without them, and is no wider than of every other mark', () => {
    const random = seededRandom(6)
    const long = Array.from({ length: 300 }, (_, i) => {
      const distanceM = 300 + 18 * i
      const own = random.normal()
      return Array.from({ length: 3 }, (): CopyAt => ({
        markId: `m${i}`,
        distanceM,
        copied: 9 * Math.log10(2500 / distanceM) + 0.7 * own + random.normal() > 0,
      }))
    })
    const all = reachFromCopies(long.flat(), 0.5)
    const half = reachFromCopies(long.filter((_, i) => i % 2 === 0).flat(), 0.5)
    expect(all.method).toBe('random-intercept probit on lg distance')
    expect(Math.abs(Math.log10(all.estimateM! / 2500))).toBeLessThan(0.05)
    expect(Math.abs(Math.log10(all.estimateM! / half.estimateM!))).toBeLessThan(0.06)
    expect(all.highM! / all.lowM!).toBeLessThan(half.highM! / half.lowM!)
  })
  it('takes the worse of two directions', () => {
    const near = reachFromCopies(checks([1, 1, 1, 0, 0, 0, 0, 0, 0, 0]), 0.5)
    const far = reachFromCopies(checks([1, 1, 1, 1, 1, 1, 1, 0, 0, 0]), 0.5)
    const all = reachFromCopies(checks(KM.map(() => 1)), 0.5)
    expect(worseReach(far, near)).toBe(near)
    expect(worseReach(all, far)).toBe(far)
  })
})

describe('chanceOverSmoothGround', () => {
  const link = linkOf(
    rig('A', { powerW: 2, antennaHeightM: 1.4, leadLossDb: null }),
    rig('H', { powerW: 25, antennaHeightM: 8, leadLossDb: null }),
  )
  it('falls with distance, and the stronger sender is heard farther', () => {
    const at = [100, 1000, 5000, 20000].map((d) => chanceOverSmoothGround(link, 'to base', d))
    expect([...at].sort((a, b) => b - a)).toEqual(at)
    expect(chanceOverSmoothGround(link, 'from base', 6000)).toBeGreaterThan(
      chanceOverSmoothGround(link, 'to base', 6000),
    )
    expect(chanceOverSmoothGround(link, 'loop', 6000)).toBeLessThan(
      chanceOverSmoothGround(link, 'to base', 6000),
    )
  })
})
