import { describe, expect, it } from 'vitest'
import { factorEffects, type FactorReport } from './factorEffects'
import { notHeardCell, stepCell, type LevelCell } from './levelCell'
import { ALLOWANCE, pairedDifference } from './pairedDifference'
import { seededRandom } from './seededRandom'

const sUnit = (level: number): LevelCell => {
  const k = Math.round(level / 6) * 6
  return level < -20 ? notHeardCell(-20, 2) : stepCell(k - 3, k + 3)
}

/** Marks with four links of two antennas at two heights, in two directions; what each brings is given. */
function simulated(seed: number, marks: number, antenna: number, height: number, both: number) {
  const random = seededRandom(seed)
  return Array.from({ length: marks }, (_, m) => {
    const shadow = 10 * random.normal()
    return [0, 1].flatMap((a) =>
      [0, 1].flatMap((h) => {
        const own = 2 * random.normal()
        return ['to', 'from'].map((block): FactorReport => {
          const level = shadow + antenna * a + height * h + both * a * h + own + 2 * random.normal()
          return { mark: `${m}`, block, own: `${a}${h}`, x: [a, h, a * h], cell: sUnit(level) }
        })
      }),
    )
  }).flat()
}

describe('factorEffects', () => {
  it('agrees with the paired interval likelihood where there are two links', () => {
    const random = seededRandom(5)
    const marks = Array.from({ length: 20 }, (_, i) => {
      const [s, a, b] = [10 * random.normal(), 2 * random.normal(), 2 * random.normal()]
      const cells = [0, 1].map(() => ({
        a: sUnit(s + 4 + a + 2.5 * random.normal()),
        b: sUnit(s + b + 2.5 * random.normal()),
      }))
      return { id: `${i}`, cells }
    })
    const paired = pairedDifference(
      marks.map((m) => ({ id: m.id, groups: m.cells.map((c) => ({ a: [c.a], b: [c.b] })) })),
    )
    const reports = marks.flatMap((m) =>
      m.cells.flatMap((c, d): FactorReport[] => [
        { mark: m.id, block: `${d}`, own: 'a', x: [1], cell: c.a },
        { mark: m.id, block: `${d}`, own: 'b', x: [0], cell: c.b },
      ]),
    )
    const [effect] = factorEffects(reports, 1)!.effects
    expect(Math.abs(effect!.estimate - paired.estimate!)).toBeLessThan(0.25)
    // Draws from the posterior against its grid, which is widened.
    const width = (paired.interval90.high! - paired.interval90.low!) / ALLOWANCE
    expect(Math.abs(effect!.interval90.high! - effect!.interval90.low! - width)).toBeLessThan(0.35)
  })
  it('finds two effects and what they bring together', () => {
    const { effects, marks, callDb, ownDb } = factorEffects(simulated(8, 24, 5, 3, 4), 3)!
    const truth = [5, 3, 4]
    effects.forEach((e, i) => {
      expect(e.interval95.low!).toBeLessThan(truth[i]!)
      expect(e.interval95.high!).toBeGreaterThan(truth[i]!)
    })
    expect(marks).toBe(24)
    expect(Math.abs(callDb - 2)).toBeLessThan(1)
    expect(Math.abs(ownDb - 2)).toBeLessThan(1.2)
  })
  it('holds a nominal 90 % in most of twenty trials, and says the same for the same log', () => {
    let held = 0
    for (let seed = 1; seed <= 20; seed++) {
      const [antenna] = factorEffects(
        simulated(seed, 10, 4, 0, 0).map((r) => ({ ...r, x: r.x.slice(0, 2) })),
        2,
      )!.effects
      if (antenna!.interval90.low! < 4 && antenna!.interval90.high! > 4) held++
    }
    expect(held).toBeGreaterThanOrEqual(15)
    const once = factorEffects(simulated(3, 8, 4, 1, 0), 3)!.effects[0]
    expect(factorEffects(simulated(3, 8, 4, 1, 0), 3)!.effects[0]).toEqual(once)
  })
  it('says nothing below four marks that tell, and never NaN where reports lie far from each other', () => {
    expect(factorEffects(simulated(1, 3, 4, 1, 0), 3)).toBeNull()
    const silent = Array.from({ length: 8 }, (_, m) =>
      ['a', 'b'].map((own, i): FactorReport => ({
        mark: `${m}`,
        block: 'd',
        own,
        x: [i],
        cell: notHeardCell(-20),
      })),
    ).flat()
    expect(factorEffects(silent, 1)).toBeNull()
    const far = Array.from({ length: 5 }, (_, m): FactorReport[] => [
      { mark: `${m}`, block: 'd', own: 'a', x: [0], cell: stepCell(40, 50) },
      {
        mark: `${m}`,
        block: 'd',
        own: 'b',
        x: [1],
        cell: { lower: -30, upper: Infinity, softDb: 4, notHeard: false },
      },
    ]).flat()
    expect(Number.isFinite(factorEffects(far, 1)!.effects[0]!.estimate)).toBe(true)
  })
})
