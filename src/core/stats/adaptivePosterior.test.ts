import { describe, expect, it } from 'vitest'
import { adaptivePosterior } from './adaptivePosterior'
import { pairedDifference, type PairedMark } from './pairedDifference'
import { posteriorQuantile } from './posterior'
import { pairLikelihood } from './pairLikelihood'
import { posteriorOn } from './posteriorOn'
import { seededRandom } from './seededRandom'
import { closedForm, integrated, kindOfGroups, likelySettings } from './spreadSettings'
import type { LevelCell } from './levelCell'

const cell = (lower: number, upper: number, softDb = 0): LevelCell => ({
  lower,
  upper,
  softDb,
  notHeard: lower === -Infinity,
})

/** Whole S-units of 6 dB about a difference of 4 dB, some not heard, now and then a second call. */
function someMarks(n: number, seed: number): PairedMark[] {
  const random = seededRandom(seed)
  const report = (level: number) => {
    const step = 6 * Math.floor(level / 6)
    return level < -30 ? cell(-Infinity, -30, 2.5) : cell(step, step + 6)
  }
  return Array.from({ length: n }, (_, i) => {
    const s = -20 + 12 * random.normal()
    const calls = (extra: number) =>
      Array.from({ length: i % 5 === 0 ? 2 : 1 }, () => report(s + extra + 4 * random.normal()))
    return { id: `m${i}`, groups: [{ a: calls(4), b: calls(0) }] }
  })
}

describe('grids of the difference', () => {
  const marks = someMarks(24, 3)
  const settings = likelySettings(integrated(marks, 60), 60).likely

  const narrow = closedForm(Array.from({ length: 30 }, () => ({ a: cell(10.2, 10.7), b: cell(0, 0.5) })))
  const oneSided = closedForm(
    Array.from({ length: 6 }, () => ({ a: cell(10, 16), b: cell(-Infinity, 2, 2.5) })),
  )

  it('worked out at few places gives what working out every point gives, narrow, wide or open at an end', () => {
    for (const [of, near, from, to] of [
      [settings, 0, -4, 12],
      [settings, -22, -4, 12],
      [narrow, -20, 9, 12],
      [oneSided, 30, -10, 60],
    ] as const) {
      const [every, few] = [posteriorOn(of, from, to, 85), adaptivePosterior(of, -60, 60, near)]
      const grid = few.on(from, to, 85)
      const apart = grid.density.map((v, i) => Math.abs(v - every.grid.density[i]!))
      expect(Math.max(...apart)).toBeLessThan(0.01)
      for (const p of [0.025, 0.05, 0.5, 0.95, 0.975])
        expect(Math.abs(posteriorQuantile(grid, p) - posteriorQuantile(every.grid, p))).toBeLessThan(
          0.002 * (to - from),
        )
      expect(few.places).toBeLessThan(60)
    }
  })

  it('has the same spread', () => {
    const few = adaptivePosterior(settings, -60, 60, 0)
    expect(few.spreadOver(few.on(-4, 12, 85))).toBe(posteriorOn(settings, -4, 12, 85).spread)
  })

  it('is nought where nothing weighs', () => {
    const grid = adaptivePosterior(narrow, -60, 60, 10).on(-60, 60, 121)
    expect(grid.density[0]).toBe(0)
    expect(grid.density[120]).toBe(0)
  })

  it('single pairs read between spreads that were worked out are as good as worked out at each', () => {
    const pairs = [
      { a: cell(0, 6), b: cell(-6, 0) },
      { a: cell(-12, -6), b: cell(0, 6) },
      { a: cell(0, 6), b: cell(-Infinity, -9, 2.5) },
    ]
    const deltas = Float64Array.from([-20, -7, 0, 5, 16])
    for (const setting of integrated(
      pairs.map(({ a, b }) => ({ groups: [{ a: [a], b: [b] }] })),
      60,
    )) {
      const got = setting.logLikelihood(deltas)
      deltas.forEach((delta, i) => {
        const exact = pairs.reduce(
          (sum, { a, b }) => sum + Math.log(pairLikelihood(a, b, delta, setting.spread)),
          0,
        )
        // What is a hundred log units down weighs nothing, and is only told to be so.
        if (exact > -100) expect(Math.abs(got[i]! - exact)).toBeLessThan(0.01 + 1e-3 * Math.abs(exact))
        else expect(got[i]).toBeLessThan(-80)
      })
    }
  })
})

describe('marks that tell the same', () => {
  it('are one kind however strong the signal was and in whatever order the calls came', () => {
    const shifted = kindOfGroups([{ a: [cell(-30, -24), cell(-24, -18)], b: [cell(-Infinity, -30, 2.5)] }])
    expect(kindOfGroups([{ a: [cell(-12, -6), cell(-18, -12)], b: [cell(-Infinity, -18, 2.5)] }])).toBe(
      shifted,
    )
    expect(kindOfGroups([{ a: [cell(-12, -6), cell(-18, -12)], b: [cell(-Infinity, -18, 2)] }])).not.toBe(
      shifted,
    )
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
