import { describe, expect, it } from 'vitest'
import { normalCdf } from '@/core/stats/numeric/normal'
import { noChance, type ChanceAt } from './chanceAt'
import { Chances } from './chances'
import { CHECK_PRIORS, spreadsAt } from './priors'
import { modelData, type Call } from './reports'

const CUTS = [-115, -111, -106.5, -103, -98]
const KINDS: [string, Call][] = [
  ['not heard', { kind: 'not heard' }],
  ['the lowest step', { kind: 'step', step: 1 }],
  ['a middle step', { kind: 'step', step: 3 }],
  ['the highest step', { kind: 'step', step: 5 }],
  ['a step and a strength', { kind: 'step and strength', step: 4, lowerDb: -108, upperDb: -102 }],
  [
    'a step and a strength open below',
    { kind: 'step and strength', step: 1, lowerDb: -Infinity, upperDb: -112 },
  ],
  [
    'a step and a strength open above',
    { kind: 'step and strength', step: 5, lowerDb: -98, upperDb: Infinity },
  ],
  ['a strength', { kind: 'strength', lowerDb: -108, upperDb: -102 }],
  ['a share of words', { kind: 'share', k: 3, n: 5 }],
]
const SPREADS = spreadsAt([0.2, 0, -0.3, 0.1, -0.2, 0.3], CHECK_PRIORS)

const about = (call: Call, readingErrorDb = 1.5) => {
  const data = modelData({
    marks: [{ legId: 'a', distanceM: 1000, alongM: 0 }],
    links: 1,
    listeners: [{ steps: 5, readingErrorDb, counts: call.kind === 'share' }],
    knownDb: [[0]],
    reports: [{ mark: 0, link: 0, listener: 0, call, count: 1 }],
  })
  const chances = new Chances(data, CHECK_PRIORS)
  const cuts = call.kind === 'share' ? CUTS.slice(0, 2) : CUTS
  const below = chances.cutBelow(0)
  const above = chances.cutAbove(0)
  /** At a level, with the cuts below and above moved. */
  return (y: number, a = 0, b = 0): ChanceAt => {
    const moved = Float64Array.from(cuts, (c, k) => c + (k === below ? a : k === above ? b : 0))
    chances.set(SPREADS, [moved])
    const out = noChance()
    chances.at(0, y, out)
    return out
  }
}

describe('the chance of a report', () => {
  it.each(KINDS)('%s: first and second derivatives are those of its own logarithm', (_, call) => {
    const at = about(call)
    const E = 1e-3
    for (let y = -145; y <= -65; y += 5) {
      const here = at(y)
      const first = (key: keyof ChanceAt, up: ChanceAt, down: ChanceAt) => (up[key] - down[key]) / (2 * E)
      const [yUp, yDown] = [at(y + E), at(y - E)]
      const [aUp, aDown, bUp, bDown] = [at(y, E), at(y, -E), at(y, 0, E), at(y, 0, -E)]
      const pairs: [number, number][] = [
        [here.y, first('log', yUp, yDown)],
        [here.a, first('log', aUp, aDown)],
        [here.b, first('log', bUp, bDown)],
        [here.yy, first('y', yUp, yDown)],
        [here.ya, first('a', yUp, yDown)],
        [here.yb, first('b', yUp, yDown)],
        [here.aa, first('a', aUp, aDown)],
        [here.ab, first('a', bUp, bDown)],
        [here.bb, first('b', bUp, bDown)],
      ]
      for (const [found, expected] of pairs) expect(Math.abs(found - expected)).toBeLessThan(2e-4)
    }
  })

  it('of not heard and of all steps comes to one, but for the strays', () => {
    const all = [KINDS[0]![1], ...[1, 2, 3, 4, 5].map((step): Call => ({ kind: 'step', step }))]
    for (const y of [-130, -113, -104, -90]) {
      const sum = all.reduce((s, call) => s + Math.exp(about(call)(y).log), 0)
      expect(sum).toBeGreaterThan(0.999)
      expect(sum).toBeLessThan(1.021)
    }
  })

  it('of a strength is that of the normal law where no cut is near', () => {
    // Far above the first cut: Φ over the interval with the call's spread and the reading's error together.
    const at = about({ kind: 'strength', lowerDb: -78, upperDb: -72 })
    const { callDb, lapse } = SPREADS
    for (const y of [-90, -80, -75, -70, -60]) {
      const expected = [
        [0.95, callDb],
        [0.05, 3 * callDb],
      ].reduce((sum, [share, sd]) => {
        const width = Math.hypot(sd!, 1.5)
        return sum + share! * (normalCdf((-72 - y) / width) - normalCdf((-78 - y) / width))
      }, 0)
      expect(at(y).log).toBeCloseTo(Math.log((1 - lapse) * expected), 3)
    }
  })

  it('of any number of words copied comes to one', () => {
    const levels = [-125, -111, -105, -95]
    for (const y of levels) {
      const sum = [0, 1, 2, 3, 4, 5].reduce(
        (s, k) => s + Math.exp(about({ kind: 'share', k, n: 5 })(y).log),
        0,
      )
      expect(sum).toBeCloseTo(1 - SPREADS.lapse, 2)
    }
  })

  it('stays finite 200 dB off, and where cuts have changed places', () => {
    for (const [, call] of KINDS)
      for (const y of [-300, 60])
        for (const v of Object.values(about(call)(y, 30, -30))) expect(Number.isFinite(v)).toBe(true)
  })
})
