import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { informsDifference, notHeardCell, shiftCell, stepCell, type LevelCell } from './levelCell'
import { meanExcess, normalCdf, normalQuantile } from './normal'
import { pairLikelihood } from './pairLikelihood'

const open = (lower: number, upper: number): LevelCell => ({ lower, upper, softDb: 0, notHeard: false })

/** Brute force: the mark's level s on a fine grid, each report with half of the spread's variance. */
function brute(a: LevelCell, b: LevelCell, delta: number, spread: number): number {
  const chance = (c: LevelCell, y: number) => {
    const sd = spread / Math.SQRT2
    const high = c.upper === Infinity ? 1 : normalCdf((c.upper - y) / Math.hypot(sd, c.softDb))
    const low = c.lower === -Infinity ? 0 : normalCdf((c.lower - y) / sd)
    return high - low
  }
  let sum = 0
  for (let s = -250; s <= 250; s += 0.05) sum += chance(a, s + delta) * chance(b, s) * 0.05
  return sum
}

describe('pairLikelihood', () => {
  const cases: [string, LevelCell, LevelCell][] = [
    ['two steps of a meter', stepCell(-15, -9), stepCell(-21, -15)],
    ['the same step', stepCell(-15, -9), stepCell(-15, -9)],
    ['steps far apart', stepCell(25, 35), stepCell(-45, -39)],
    ['A heard, B not', stepCell(-15, -9), notHeardCell(-30)],
    ['A not heard, B heard', notHeardCell(-30), stepCell(-15, -9)],
    ['B not heard, a soft edge', stepCell(-15, -9), notHeardCell(-30, 4)],
    ['A not heard, a soft edge', notHeardCell(-20, 3), stepCell(-15, -9)],
    ['A at full scale', open(55, Infinity), stepCell(25, 35)],
    ['B at full scale', stepCell(25, 35), open(55, Infinity)],
    ['A at full scale, B not heard', open(5, Infinity), notHeardCell(-30)],
    ['A not heard, B at full scale', notHeardCell(-30), open(5, Infinity)],
  ]
  it.each(cases)('agrees with brute-force integration: %s', (_name, a, b) => {
    for (const delta of [-14, -3, 0, 2.5, 9, 30])
      for (const spread of [0.7, 3, 8]) {
        const expected = brute(a, b, delta, spread)
        const got = pairLikelihood(a, b, delta, spread)
        expect(Math.abs(got - expected)).toBeLessThan(2e-3 * expected + 1e-6)
      }
  })

  it('says nothing where both are beyond the same end', () => {
    expect(pairLikelihood(notHeardCell(-30), notHeardCell(-30), 5, 3)).toBe(1)
    expect(pairLikelihood(open(55, Infinity), open(55, Infinity), 5, 3)).toBe(1)
    expect(informsDifference([notHeardCell(-30)], [notHeardCell(-30)])).toBe(false)
    expect(informsDifference([stepCell(1, 2)], [notHeardCell(-30)])).toBe(true)
    expect(informsDifference([stepCell(1, 2)], [])).toBe(false)
  })

  it('keeps its digits far from the data', () => {
    const near = pairLikelihood(stepCell(0, 6), stepCell(0, 6), 30, 2)
    const far = pairLikelihood(stepCell(0, 6), stepCell(0, 6), 34, 2)
    expect(near).toBeGreaterThan(far)
    expect(far).toBeGreaterThan(1e-60)
  })

  it('is the same seen from the other link', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -40, max: 40 }),
        fc.integer({ min: -40, max: 40 }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        (p, q, delta, spread) => {
          const [a, b] = [stepCell(p, p + 6), stepCell(q, q + 6)]
          const there = pairLikelihood(a, b, delta, spread)
          const back = pairLikelihood(b, a, -delta, spread)
          expect(Math.abs(there - back)).toBeLessThanOrEqual(1e-9 * Math.max(there, back) + 1e-14)
        },
      ),
    )
  })

  it('refuses a step that has no width', () => {
    expect(() => stepCell(3, 3)).toThrow(RangeError)
    expect(shiftCell(stepCell(0, 6), 2)).toMatchObject({ lower: -2, upper: 4 })
  })
})

describe('normal', () => {
  // R: pnorm(c(-8, -1.5, 0, 2.3)), qnorm(0.975)
  it('agrees with R', () => {
    expect(normalCdf(-8)).toBeCloseTo(6.220960574271786e-16, 25)
    expect(normalCdf(-1.5)).toBeCloseTo(0.06680720126885807, 14)
    expect(normalCdf(0)).toBe(0.5)
    expect(normalCdf(2.3)).toBeCloseTo(0.9892758899783243, 14)
    expect(normalQuantile(0.975)).toBeCloseTo(1.959963984540054, 12)
    expect(normalCdf(-Infinity)).toBe(0)
    expect(() => normalQuantile(1.2)).toThrow(RangeError)
  })
  it('joins the series of the mean excess without a step', () => {
    expect(meanExcess(-6.0001) / meanExcess(-5.9999)).toBeCloseTo(1, 2)
    expect(meanExcess(3)).toBeCloseTo(3.0003821543, 8)
  })
})
