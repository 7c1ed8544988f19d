import { describe, expect, it } from 'vitest'
import type { LevelCell } from '@/core/stats'
import { normalCdf, normalPdf, normalQuantile, quickNormalCdf, seededRandom } from '@/core/stats'
import {
  fitLevels,
  legsOf,
  levelLine,
  levelLogLikelihood,
  neededLevel,
  reachFromLevels,
  type LevelMark,
  type LevelParameters,
  type LevelReport,
} from '.'

const step = (middle: number, half = 3): LevelCell => ({
  lower: middle - half,
  upper: middle + half,
  softDb: 0,
  notHeard: false,
})
const silence = (at: number, softDb = 2): LevelCell => ({
  lower: -Infinity,
  upper: at,
  softDb,
  notHeard: true,
})
const at = (id: string, m: number, legId = 'l'): LevelMark => ({ id, legId, distanceM: m, alongM: m })
const report = (markId: string, linkId: string, direction: string, cell: LevelCell): LevelReport => ({
  markId,
  linkId,
  group: `${linkId} ${direction}`,
  cell,
})

describe('Φ from a table', () => {
  it('is Φ to nine digits', () => {
    for (let z = -9; z <= 9; z += 0.0137)
      expect(Math.abs(quickNormalCdf(z) - normalCdf(z))).toBeLessThan(1e-9)
    expect(quickNormalCdf(Infinity)).toBe(1)
    expect(quickNormalCdf(-Infinity)).toBe(0)
  })
})

describe('likelihood of levels with correlated shadowing', () => {
  // Expected: brute force over s1, s2 and each link's own effects by plain sums on a fine grid, written out here.
  it('agrees with integration by brute force over two marks, two links, two directions', () => {
    const p: LevelParameters = {
      levels: [-20, -18, -24, -22],
      slope: 3.2,
      shadowDb: 5,
      linkDb: 2,
      callDb: 2.5,
      shadowKm: 0.4,
    }
    const marks = [at('m1', 400), at('m2', 700)]
    const reports = [
      report('m1', 'a', 'to', step(-6)),
      report('m1', 'a', 'from', step(-6)),
      report('m1', 'b', 'to', step(-12)),
      report('m2', 'a', 'to', step(-18)),
      report('m2', 'b', 'to', silence(-20)),
      report('m2', 'b', 'from', step(-18)),
    ]
    const groups = ['a to', 'a from', 'b to', 'b from']
    const found = levelLogLikelihood(legsOf(marks, reports, groups), p)

    const chance = (cell: LevelCell, level: number) =>
      normalCdf((cell.upper - level) / Math.hypot(p.callDb, cell.softDb)) -
      (Number.isFinite(cell.lower) ? normalCdf((cell.lower - level) / p.callDb) : 0)
    const seen = (markId: string, lgKm: number, s: number) =>
      ['a', 'b'].reduce((product, link) => {
        let sum = 0
        for (let u = -14; u <= 14; u += 0.2)
          sum +=
            reports
              .filter((r) => r.markId === markId && r.linkId === link)
              .reduce(
                (f, r) =>
                  f * chance(r.cell, p.levels[groups.indexOf(r.group)]! - 10 * p.slope * lgKm + s + u),
                1,
              ) *
            (normalPdf(u / p.linkDb) / p.linkDb) *
            0.2
        return product * sum
      }, 1)
    const rho = Math.exp(-0.3 / p.shadowKm)
    const q = p.shadowDb * Math.sqrt(1 - rho * rho)
    const h = 0.4
    let total = 0
    const second = new Map<number, number>()
    for (let k = -70; k <= 70; k++) second.set(k, seen('m2', Math.log10(0.7), k * h))
    for (let i = -70; i <= 70; i++) {
      const first = seen('m1', Math.log10(0.4), i * h) * (normalPdf((i * h) / p.shadowDb) / p.shadowDb) * h
      if (first < 1e-14) continue
      let inner = 0
      for (let k = -70; k <= 70; k++) inner += second.get(k)! * (normalPdf((k * h - rho * i * h) / q) / q) * h
      total += first * inner
    }
    // Reading tables between their steps costs some thousandths of a log unit, which no interval can see.
    expect(Math.abs(found - Math.log(total))).toBeLessThan(0.01)
  })
  it('marks of different legs share nothing', () => {
    const p: LevelParameters = { levels: [-20], slope: 3, shadowDb: 5, linkDb: 2, callDb: 2, shadowKm: 0.4 }
    const one = [report('m1', 'a', 'to', step(-6))]
    const two = [report('m2', 'a', 'to', step(-18))]
    const log = (marks: LevelMark[], r: LevelReport[]) => levelLogLikelihood(legsOf(marks, r, ['a to']), p)
    const apart = log([at('m1', 400)], one) + log([at('m2', 700)], two)
    expect(log([at('m1', 400), at('m2', 700, 'other leg')], [...one, ...two])).toBeCloseTo(apart, 9)
    expect(log([at('m1', 400), at('m2', 700)], [...one, ...two])).not.toBeCloseTo(apart, 2)
  })
})

/** A leg of marks in a field whose truth is known, reported in whole S-units with drop-outs. */
function simulated(seed: number, n: number) {
  const r = seededRandom(seed)
  const [ss, su, se, slope] = [5, 2, 2, 3.5]
  const [levels, threshold, soft] = [[-20, -24], -54, 2]
  const marks = Array.from({ length: n }, (_, i) => at(`m${i}`, 250 + (7500 / n) * i))
  const reports: LevelReport[] = []
  let s = ss * r.normal()
  marks.forEach((m, i) => {
    const rho = i === 0 ? 0 : Math.exp(-(m.alongM - marks[i - 1]!.alongM) / 300)
    s = rho * s + Math.sqrt(1 - rho * rho) * ss * r.normal()
    levels.forEach((level, l) => {
      const u = su * r.normal()
      for (const d of ['to', 'from']) {
        const y = level - 10 * slope * Math.log10(m.distanceM / 1000) + s + u + se * r.normal()
        const heard = y > threshold + soft * r.normal()
        reports.push(report(m.id, `L${l}`, d, heard ? step(Math.round(y / 6) * 6) : silence(threshold)))
      }
    })
  })
  const reach = (l: number, chance: number) =>
    1000 *
    10 ** ((levels[l]! - threshold - normalQuantile(chance) * Math.hypot(ss, su, se, soft)) / (10 * slope))
  return { marks, reports, reach, needed: { levelDb: threshold, softDb: soft } }
}

describe('reach from levels', () => {
  it('holds the truth of the simulated field, and says more than nothing', { timeout: 60_000 }, () => {
    let held = 0
    let asked = 0
    const wide: number[] = []
    for (let seed = 1; seed <= 12; seed++) {
      const { marks, reports, reach, needed } = simulated(seed, 14)
      const fit = fitLevels(marks, reports)!
      for (const [l, chance] of [
        [0, 0.9],
        [1, 0.5],
      ] as const) {
        const found = reachFromLevels(fit, `L${l} to`, needed, chance)!
        const truth = reach(l, chance)
        asked++
        if (found.lowM <= truth && truth <= found.highM) held++
        wide.push(found.highM / found.lowM)
      }
    }
    // Nominal 90 of 100; of 24, correlated in pairs, 17 and fewer come by chance less than once in a hundred times.
    expect(held / asked).toBeGreaterThanOrEqual(18 / 24)
    expect(wide.sort((a, b) => a - b)[12]!).toBeLessThan(3)
  })
  it('the line falls with distance and its band holds it; more chance asked is less reach', () => {
    const { marks, reports, needed } = simulated(3, 12)
    const fit = fitLevels(marks, reports)!
    const line = levelLine(fit, 'L0 to', [300, 1000, 5000])
    expect(line[0]!.level).toBeGreaterThan(line[1]!.level)
    for (const p of line) {
      expect(p.low).toBeLessThan(p.level)
      expect(p.high).toBeGreaterThan(p.level)
    }
    // Straight over lg distance: from 300 m to 1 km and on to 5 km it falls as the decades do.
    const perDecade = (a: number, b: number) =>
      (line[a]!.level - line[b]!.level) / Math.log10(line[b]!.distanceM / line[a]!.distanceM)
    expect(perDecade(0, 1)).toBeCloseTo(perDecade(1, 2), 9)
    const far = (chance: number) => reachFromLevels(fit, 'L0 to', needed, chance)!.estimateM
    expect(far(0.9)).toBeLessThan(far(0.5))
    expect(fitLevels(marks, reports)).toEqual(fit)
    expect(reachFromLevels(fit, 'nobody', needed, 0.9)).toBeNull()
  })
  it.each([
    ['too few marks', simulated(1, 4).marks, simulated(1, 4).reports],
    [
      'distances all equal',
      Array.from({ length: 8 }, (_, i) => at(`m${i}`, 500)),
      Array.from({ length: 8 }, (_, i) => report(`m${i}`, 'a', 'to', step(-6 * i))),
    ],
    [
      'nothing heard anywhere',
      Array.from({ length: 8 }, (_, i) => at(`m${i}`, 500 * (i + 1))),
      Array.from({ length: 8 }, (_, i) => report(`m${i}`, 'a', 'to', silence(-54))),
    ],
    ['no reports', [at('m', 100)], []],
  ])('%s: says nothing', (_what, marks, reports) => expect(fitLevels(marks, reports)).toBeNull())
})

describe('the level that a copy needs', () => {
  const seen = (pairs: [number, boolean][]) => pairs.map(([levelDb, copied]) => ({ levelDb, copied }))
  it('lies between what was copied and what was not', () => {
    const found = neededLevel(
      seen([
        [-10, true],
        [-20, true],
        [-30, true],
        [-36, false],
        [-42, false],
      ]),
      2,
      { levelDb: -54, softDb: 2 },
    )!
    expect(found.levelDb).toBeGreaterThan(-37)
    expect(found.levelDb).toBeLessThan(-29)
  })
  it('is the threshold of hearing where all that was heard was copied, and nothing where nothing was', () => {
    const hearing = { levelDb: -54, softDb: 2 }
    expect(
      neededLevel(
        seen([
          [-10, true],
          [-40, true],
        ]),
        3,
        hearing,
      ),
    ).toBe(hearing)
    expect(neededLevel(seen([[-40, false]]), 3, hearing)).toBeNull()
  })
})
