import { describe, expect, it } from 'vitest'
import { pairedDifference, type PairedMark } from './pairedDifference'
import { posteriorQuantile } from './posterior'
import { posteriorOn, smoothPosterior, widePosterior } from './posteriorOn'
import { seededRandom } from './seededRandom'
import { closedForm, integrated, kindOfGroups, likelySettings } from './spreadSettings'
import type { LevelCell } from './levelCell'

const cell = (lower: number, upper: number, softDb = 0): LevelCell => ({ lower, upper, softDb, notHeard: lower === -Infinity }) // prettier-ignore

/** Whole S-units of 6 dB about a difference of 4 dB, some not heard, now and then a second call. */
function someMarks(n: number, seed: number): PairedMark[] {
  const random = seededRandom(seed)
  const report = (level: number) => {
    const step = 6 * Math.floor(level / 6)
    return level < -30 ? cell(-Infinity, -30, 2.5) : cell(step, step + 6)
  }
  return Array.from({ length: n }, (_, i) => {
    const s = -20 + 12 * random.normal()
    const calls = (extra: number) => Array.from({ length: i % 5 === 0 ? 2 : 1 }, () => report(s + extra + 4 * random.normal())) // prettier-ignore
    return { id: `m${i}`, groups: [{ a: calls(4), b: calls(0) }] }
  })
}

describe('grids of the difference', () => {
  const marks = someMarks(24, 3)
  const settings = likelySettings(integrated(marks, 60), 60).likely

  it('between the points worked out the cubics give what working out every point gives', () => {
    const [every, third] = [posteriorOn(settings, -4, 12, 85), smoothPosterior(settings, -4, 12, 28)]
    const apart = third.grid.density.map((v, i) => Math.abs(v - every.grid.density[i]!))
    expect(Math.max(...apart)).toBeLessThan(0.005)
    for (const p of [0.025, 0.05, 0.5, 0.95, 0.975])
      expect(posteriorQuantile(third.grid, p)).toBeCloseTo(posteriorQuantile(every.grid, p), 2)
    expect(third.spread).toBe(every.spread)
  })

  it('a wide grid finds a posterior that lies between its first points, and has its ends', () => {
    const narrow = Array.from({ length: 30 }, () => ({ a: cell(10.2, 10.7), b: cell(0, 0.5) }))
    for (const of of [settings, closedForm(narrow)]) {
      const [every, wide] = [posteriorOn(of, -60, 60, 121), widePosterior(of, -60, 60, 121, -20)]
      for (const p of [0.05, 0.5, 0.95])
        expect(posteriorQuantile(wide.grid, p)).toBeCloseTo(posteriorQuantile(every.grid, p), 6)
      expect(wide.grid.density[0]).toBeCloseTo(every.grid.density[0]!, 9)
      expect(wide.grid.density[120]).toBeCloseTo(every.grid.density[120]!, 9)
    }
  })
})

describe('marks that tell the same', () => {
  it('are one kind however strong the signal was and in whatever order the calls came', () => {
    const shifted = kindOfGroups([{ a: [cell(-30, -24), cell(-24, -18)], b: [cell(-Infinity, -30, 2.5)] }])
    expect(kindOfGroups([{ a: [cell(-12, -6), cell(-18, -12)], b: [cell(-Infinity, -18, 2.5)] }])).toBe(shifted) // prettier-ignore
    expect(kindOfGroups([{ a: [cell(-12, -6), cell(-18, -12)], b: [cell(-Infinity, -18, 2)] }])).not.toBe(shifted) // prettier-ignore
    expect(kindOfGroups([{ a: [cell(-18, -12)], b: [cell(-Infinity, -18, 2.5)] }])).not.toBe(shifted)
  })

  it('a day moved up or down by any amount at each mark leaves the difference as it is', () => {
    const marks = someMarks(20, 8)
    const moved = marks.map((m, i) => ({
      id: m.id,
      groups: m.groups.map((g) => {
        const by = (c: LevelCell) => ({ ...c, lower: c.lower + 7.3 * i, upper: c.upper + 7.3 * i })
        return { a: g.a.map(by), b: g.b.map(by) }
      }),
    }))
    const [as, then] = [pairedDifference(marks), pairedDifference(moved)]
    expect(then.estimate).toBeCloseTo(as.estimate!, 6)
    expect(then.interval90.low).toBeCloseTo(as.interval90.low!, 6)
    expect(then.interval90.high).toBeCloseTo(as.interval90.high!, 6)
  })
})
