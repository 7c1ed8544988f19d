import { describe, expect, it } from 'vitest'
import { pairedTrend, seededRandom, type LevelCell, type PairedMark } from '.'

const step = (y: number): LevelCell => {
  const b = Math.round(y / 6) * 6
  return { lower: b - 3, upper: b + 3, softDb: 0, notHeard: false }
}
/** Two links at n marks, their difference level + slope x, in whole S-units; both directions or one. */
function trial(seed: number, n: number, level: number, slope: number, directions = 1) {
  const r = seededRandom(seed)
  const xs = Array.from({ length: n }, (_, i) => -0.6 + (1.2 * i) / (n - 1))
  const marks = xs.map((x, i): PairedMark => {
    const own = 2 * r.normal()
    const groups = Array.from({ length: directions }, () => {
      const s = -30 - 35 * x + 5 * r.normal()
      return { a: [step(s + level + slope * x + own + 1.5 * r.normal())], b: [step(s + 1.5 * r.normal())] }
    })
    return { id: `m${i}`, groups }
  })
  return { marks, xs }
}

describe('a difference that changes with distance', () => {
  it('holds the true slope about nine times in ten, one direction or both', () => {
    let held = 0
    const runs = 40
    for (let seed = 1; seed <= runs; seed++) {
      const slope = ((seed % 5) - 2) * 4
      const { marks, xs } = trial(seed, 16, 2, slope, 1 + (seed % 2))
      const { slope90 } = pairedTrend(marks, xs, 3.2)!
      if (slope90.low! <= slope && slope <= slope90.high!) held++
    }
    // Nominal 36 of 40; fewer than 31 come by chance about once in a hundred times.
    expect(held).toBeGreaterThanOrEqual(31)
  })
  it('tells where the two change places, with a margin that holds it about nine times in ten', () => {
    let held = 0
    for (let seed = 1; seed <= 10; seed++) {
      const { marks, xs } = trial(seed, 30, 0, 14)
      const { crossing, band } = pairedTrend(marks, xs, 3)!
      expect(crossing!.high - crossing!.low).toBeLessThan(0.6)
      expect(band[0]!.high).toBeLessThan(0)
      expect(band.at(-1)!.low).toBeGreaterThan(0)
      if (crossing!.low <= 0 && crossing!.high >= 0) held++
    }
    expect(held).toBeGreaterThanOrEqual(7)
  })
  it('tells no crossing where there is none, or none that is sure', () => {
    expect(
      pairedTrend(...(Object.values(trial(3, 16, 8, 0)) as [PairedMark[], number[]]), 3)!.crossing,
    ).toBeNull()
    expect(
      pairedTrend(...(Object.values(trial(4, 10, 0, 2)) as [PairedMark[], number[]]), 4)!.crossing,
    ).toBeNull()
  })
  it('says nothing from seven marks, or from one distance', () => {
    const few = trial(1, 7, 0, 5)
    expect(pairedTrend(few.marks, few.xs, 3)).toBeNull()
    const { marks } = trial(1, 12, 0, 5)
    expect(
      pairedTrend(
        marks,
        marks.map(() => 1),
        3,
      ),
    ).toBeNull()
  })
})
