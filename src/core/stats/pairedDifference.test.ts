import { describe, expect, it } from 'vitest'
import { hearingThreshold } from './hearingThreshold'
import { notHeardCell, stepCell, type LevelCell } from './levelCell'
import { mixDifferences } from './mixture'
import { normalCdf } from './normal'
import { ALLOWANCE, pairedDifference, shiftDifference, type PairedMark } from './pairedDifference'
import { seededRandom } from './seededRandom'

const mark = (id: number, a: LevelCell[], b: LevelCell[]): PairedMark => ({
  id: String(id),
  groups: [{ a, b }],
})
const sUnit = (level: number) => {
  const k = Math.round(level / 6)
  return stepCell(6 * k - 3, 6 * k + 3)
}

/** Marks with a known difference, whole S-units. */
function simulated(
  seed: number,
  marks: number,
  delta: number,
  repeats: number,
  directions: number,
): PairedMark[] {
  const random = seededRandom(seed)
  return Array.from({ length: marks }, (_, m) => {
    const level = 20 - m + 6 * random.normal()
    const own = 2 * random.normal()
    const report = (d: number) =>
      Array.from({ length: repeats }, () => sUnit(level + d + 2 * random.normal()))
    return {
      id: String(m),
      groups: Array.from({ length: directions }, () => ({ a: report(delta + own), b: report(0) })),
    }
  })
}

describe('pairedDifference', () => {
  it('agrees with a brute-force posterior over difference and spread', () => {
    const cells: [LevelCell, LevelCell][] = [
      [stepCell(-3, 3), stepCell(-9, -3)],
      [stepCell(3, 9), stepCell(3, 9)],
      [stepCell(-9, -3), stepCell(-15, -9)],
      [stepCell(9, 15), stepCell(-3, 3)],
      [stepCell(-15, -9), stepCell(-15, -9)],
      [stepCell(-3, 3), notHeardCell(-20)],
    ]
    const got = pairedDifference(cells.map(([a, b], i) => mark(i, [a], [b])))
    // Second computation: plain sums over s, delta and ln spread, the prior as written in the plan.
    const chance = (c: LevelCell, y: number, sd: number) =>
      normalCdf((c.upper - y) / sd) - (c.lower === -Infinity ? 0 : normalCdf((c.lower - y) / sd))
    const deltas = Array.from({ length: 121 }, (_, i) => -20 + i * 0.5)
    const posterior = deltas.map(() => 0)
    for (let l = Math.log(0.4); l < Math.log(40); l += 0.3) {
      const sd = Math.exp(l) / Math.SQRT2
      const prior = Math.exp(-0.5 * (l - Math.log(4)) ** 2)
      deltas.forEach((d, i) => {
        let product = prior
        for (const [a, b] of cells) {
          let sum = 0
          for (let s = -60; s < 60; s += 0.5) sum += chance(a, s + d, sd) * chance(b, s, sd) * 0.5
          product *= sum
        }
        posterior[i]! += product
      })
    }
    const total = posterior.reduce((s, v) => s + v, 0)
    const quantile = (p: number) => {
      let sum = 0
      for (let i = 0; i < deltas.length; i++) {
        sum += posterior[i]! / total
        if (sum >= p) return deltas[i]! - 0.25
      }
      return NaN
    }
    expect(got.method).toBe('paired interval likelihood, closed form')
    expect(Math.abs(got.estimate! - quantile(0.5))).toBeLessThan(0.5)
    // The interval is the posterior's, widened about its median.
    const wide = (p: number) => quantile(0.5) + ALLOWANCE * (quantile(p) - quantile(0.5))
    expect(Math.abs(got.interval90.low! - wide(0.05))).toBeLessThan(0.6)
    expect(Math.abs(got.interval90.high! - wide(0.95))).toBeLessThan(0.6)
  })

  it('says nothing below four informative marks', () => {
    const silent = mark(9, [notHeardCell(-30)], [notHeardCell(-30)])
    const told = pairedDifference([1, 2, 3].map((i) => mark(i, [sUnit(0)], [sUnit(-6)])).concat(silent))
    expect(told.estimate).toBeNull()
    expect(told.marksUsed).toHaveLength(3)
    expect(told.marksSilent).toEqual(['9'])
  })

  it('leaves the end open where B was never heard', () => {
    const d = pairedDifference([1, 2, 3, 4, 5].map((i) => mark(i, [sUnit(0)], [notHeardCell(-20, 2)])))
    expect(d.interval90.high).toBeNull()
    expect(d.interval90.low).toBeGreaterThan(5)
    expect(d.chanceAIsBetter).toBeGreaterThan(0.99)
  })

  it('does not take ten calls from one spot for ten pieces of evidence', () => {
    const few = pairedDifference(simulated(3, 6, 4, 1, 1))
    const repeated = pairedDifference(simulated(3, 6, 4, 6, 1))
    const width = (d: typeof few) => d.interval90.high! - d.interval90.low!
    expect(repeated.method).toBe('paired interval likelihood, integrated')
    expect(width(repeated)).toBeGreaterThan(width(few) / 2.4)
  })

  it('holds the truth about nine times in ten, with and without repeats and directions', () => {
    const shapes: [number, number, number, number][] = [
      [10, 1, 1, 40],
      [20, 1, 1, 40],
      [8, 3, 1, 24],
      [10, 1, 2, 24],
    ]
    let held = 0
    let all = 0
    for (const [marks, repeats, directions, runs] of shapes)
      for (let seed = 1; seed <= runs; seed++) {
        const truth = 4 * seededRandom(seed + 900).normal()
        const { interval90 } = pairedDifference(simulated(seed, marks, truth, repeats, directions))
        all++
        if (interval90.low! <= truth && truth <= interval90.high!) held++
      }
    // 128 seeded trials; 87 of a hundred are asked, the plan's bound.
    expect(held / all).toBeGreaterThan(0.85)
    expect(held / all).toBeLessThan(0.98)
  })

  it('shifts by what is known, and mixes over an unknown step', () => {
    const d = pairedDifference(simulated(5, 12, 3, 1, 1))
    const shifted = shiftDifference(d, 10)
    expect(shifted.estimate).toBeCloseTo(d.estimate! - 10, 10)
    expect(shiftDifference(shifted, -10).chanceAIsBetter).toBeCloseTo(d.chanceAIsBetter!, 10)
    const mixed = mixDifferences([d, shiftDifference(d, 4)])
    expect(mixed.estimate).toBeCloseTo(d.estimate! - 2, 0)
    expect(mixed.interval90.high! - mixed.interval90.low!).toBeGreaterThan(
      d.interval90.high! - d.interval90.low!,
    )
  })
})

describe('hearingThreshold', () => {
  it('finds the threshold of a simulated listener', () => {
    const random = seededRandom(11)
    const marks = Array.from({ length: 40 }, (_, m) => {
      const level = 25 - m * 1.2
      return [0, 1, 2].map((link) => {
        const l = level + link * 4 + 2 * random.normal()
        const heard = l + 2 * random.normal() > 0
        return heard
          ? { link, heard: true as const, lower: sUnit(l).lower, upper: sUnit(l).upper }
          : { link, heard: false as const }
      })
    })
    const found = hearingThreshold(marks)!
    expect(Math.abs(found.thresholdDb)).toBeLessThan(3)
    expect(found.softDb).toBeGreaterThan(0.5)
    expect(found.softDb).toBeLessThan(6)
  })
  it('finds none where everything was heard, or nothing', () => {
    expect(hearingThreshold([[{ link: 0, heard: true, lower: 0, upper: 6 }]])).toBeNull()
    expect(hearingThreshold([[{ link: 0, heard: false }]])).toBeNull()
  })
})
