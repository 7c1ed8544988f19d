import { describe, expect, it } from 'vitest'
import { betaBinomialDifference, logBetaBinomial, type CountAt } from './betaBinomial'
import { orderedProbit } from './orderedProbit'
import { otherStationsDifference, type OtherStationsPair } from './otherStationsDifference'
import { stepCell, notHeardCell } from './levelCell'
import { theilSen } from './theilSen'

describe('orderedProbit', () => {
  const a = [5, 4, 4, 3, 3, 2, 2, 1, 5, 4, 3, 1]
  const b = [5, 4, 3, 3, 2, 2, 1, 1, 4, 3, 3, 0]
  const marks = a.map((v, i) => ({ a: [v], b: [b[i]!] }))
  it('agrees with the same penalised likelihood maximised by R’s optim', () => {
    const found = orderedProbit(marks, 6)!
    // R 4, optim(method = "BFGS") on the marginal likelihood with the same nodes: 0.52535 steps, standard
    // error 0.26171.
    expect(found.steps).toBeCloseTo(0.52535, 2)
    // Curvature by wide differences, so to a twentieth.
    const se = (found.interval90.high! - found.interval90.low!) / (2 * 1.6448536)
    expect(Math.abs(se / 0.26171 - 1)).toBeLessThan(0.05)
    expect(found.chanceAIsBetter).toBeGreaterThan(0.95)
    expect(found.marks).toBe(12)
  })
  it('turns round when the links do', () => {
    const [one, other] = [
      orderedProbit(marks, 6)!,
      orderedProbit(
        marks.map((m) => ({ a: m.b, b: m.a })),
        6,
      )!,
    ]
    expect(other.steps).toBeCloseTo(-one.steps, 2)
  })
  it('says nothing of few marks, or where every report is the same', () => {
    expect(orderedProbit(marks.slice(0, 7), 6)).toBeNull()
    expect(
      orderedProbit(
        marks.map(() => ({ a: [5], b: [5] })),
        6,
      ),
    ).toBeNull()
    expect(orderedProbit([...marks.slice(0, 7), { a: [3], b: [] }], 6)).toBeNull()
  })
})

describe('beta-binomial', () => {
  it('has the chances of R’s lbeta', () => {
    // R: lbeta(k + m s, n - k + (1 - m) s) - lbeta(m s, (1 - m) s)
    expect(logBetaBinomial(3, 5, 0.6, 4)).toBeCloseTo(-3.8064796493, 8)
    expect(logBetaBinomial(0, 5, 0.1, 1.5)).toBeCloseTo(-0.272591625, 8)
    expect(logBetaBinomial(5, 5, 0.9, 30)).toBeCloseTo(-0.4932667827, 8)
  })
  const k = [5, 5, 5, 4, 5, 4, 3, 4, 2, 3, 1, 2, 5, 5, 4, 4, 4, 3, 3, 2, 1, 1, 0, 0]
  const calls = k.map((v, i): CountAt => ({ link: i < 12 ? 0 : 1, x: -0.5 + (i % 12) / 11, k: v, n: 5 }))
  it('tells two links apart by words copied as R’s optim does', () => {
    const found = betaBinomialDifference(calls)!
    // R 4, optim on the same penalised likelihood: 0.81516, 0.55812, standard error of the logit difference 0.52537.
    expect(found.shareA).toBeCloseTo(0.81516, 2)
    expect(found.shareB).toBeCloseTo(0.55812, 2)
    expect(found.interval90.low!).toBeGreaterThan(0.02)
    expect(found.interval90.high!).toBeLessThan(0.5)
    expect(found.within).toBeGreaterThan(0)
  })
  it('says nothing below eight calls of either', () => {
    expect(betaBinomialDifference(calls.slice(0, 19))).toBeNull()
    expect(betaBinomialDifference([])).toBeNull()
  })
})

describe('theilSen', () => {
  const first = [
    [0, 0],
    [1, -1],
    [2.5, -4],
    [4, -3],
  ]
  const second = [
    [0, 10],
    [2, 8],
    [3, 9],
  ]
  const series = [first, second].map((s) => s.map(([x, y]) => ({ x: x!, y: y! })))
  it('is the median of the slopes within series', () => {
    // R: the nine slopes are -2, -1.6, -1, -1, -0.75, -0.667, -0.333, 0.667, 1.
    const found = theilSen(series)!
    expect(found.slope).toBe(-0.75)
    expect(found.pairs).toBe(9)
    expect(found.low).toBeLessThanOrEqual(-1.6)
    expect(found.high).toBeGreaterThanOrEqual(0.5)
  })
  it('says nothing of few pairs, and is not moved by the series’ own levels', () => {
    expect(theilSen([series[1]!])).toBeNull()
    expect(theilSen([[], [{ x: 1, y: 1 }]])).toBeNull()
    const moved = [series[0]!, series[1]!.map((p) => ({ ...p, y: p.y + 100 }))]
    expect(theilSen(moved)!.slope).toBe(-0.75)
  })
})

describe('otherStationsDifference', () => {
  /** S-units by each step that a stranger's meter may have. */
  const said = (a: number, b: number): OtherStationsPair =>
    [3, 4.5, 6].map((step) => {
      const cell = (u: number) =>
        u < 0 ? notHeardCell(-8.5 * step, 3) : stepCell((u - 9.5) * step, (u - 8.5) * step)
      return { a: cell(a), b: cell(b) }
    })
  it('is between what a step of three and of six would say', () => {
    const found = otherStationsDifference([
      said(7, 5),
      said(8, 6),
      said(5, 3),
      said(6, 4),
      said(9, 7),
      said(7, 5),
    ])!
    expect(found.estimate).toBeGreaterThan(2 * 3)
    expect(found.estimate).toBeLessThan(2 * 6)
    expect(found.interval90.low!).toBeGreaterThan(2)
    expect(found.stations).toBe(6)
  })
  it('counts "gone" as below, and says nothing below four stations', () => {
    const gone = otherStationsDifference([said(4, -1), said(3, -1), said(5, 2), said(6, 3), said(4, 2)])!
    expect(gone.chanceAIsBetter).toBeGreaterThan(0.97)
    expect(otherStationsDifference([said(4, 2), said(5, 3), said(-1, -1), said(6, 3)])).toBeNull()
  })
})
