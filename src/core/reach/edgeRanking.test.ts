import { describe, expect, it } from 'vitest'
import { edgeRanking, type EdgeWalk } from './edgeRanking'

const walk = (
  link: string,
  way: string,
  heardToM: number | null,
  lostByM: number | null,
  attenuationDb = 0,
): EdgeWalk => ({ link, way, heardToM, lostByM, attenuationDb })

const chanceAhead = (found: NonNullable<ReturnType<typeof edgeRanking>>, a: string, b: string) => {
  const of = (link: string) => found.draws[found.reaches.findIndex((r) => r.link === link)]!
  return of(a).reduce((n, v, i) => n + (v > of(b)[i]! ? 1 : 0), 0) / of(a).length
}

describe('edgeRanking', () => {
  it('is the posterior of the same model, walked through by another sampler', () => {
    const found = edgeRanking([
      walk('a', 'w1', 1200, 1400),
      walk('a', 'w2', 2000, 2600),
      walk('b', 'w1', 900, 1000),
      walk('b', 'w2', 1300, 1500),
      walk('c', 'w1', 2200, null),
      walk('a', 'w1', 700, 800, 10),
    ])!
    const of = (link: string) => found.reaches.find((r) => r.link === link)!
    // numpy, random-walk Metropolis over the censored likelihood, 400,000 steps: the same priors, no latent walks.
    expect(of('a').medianM / 1635).toBeCloseTo(1, 1)
    expect(of('a').lowM! / 1048).toBeCloseTo(1, 1)
    expect(of('a').highM! / 2492).toBeCloseTo(1, 1)
    expect(of('b').medianM / 1116).toBeCloseTo(1, 1)
    expect(of('a').surelyM / 1076).toBeCloseTo(1, 1)
    expect(chanceAhead(found, 'a', 'b')).toBeCloseTo(0.98, 1)
    expect(chanceAhead(found, 'c', 'a')).toBeGreaterThan(0.98)
    expect(found.reaches.map((r) => r.link)).toEqual(['c', 'a', 'b'])
    expect(of('c').highM).toBeNull()
  })
  it('two links on one way are told apart though the way itself is one of many', () => {
    const found = edgeRanking([walk('a', 'w', 1500, 1560), walk('b', 'w', 800, 840)])!
    expect(chanceAhead(found, 'a', 'b')).toBeGreaterThan(0.95)
    const [a] = found.reaches
    expect(a!.highM! / a!.lowM!).toBeGreaterThan(1.8)
  })
  it('more ways are surer', () => {
    const width = (ways: number) => {
      const [r] = edgeRanking(Array.from({ length: ways }, (_, i) => walk('a', `w${i}`, 1500, 1600)))!.reaches
      return r!.highM! / r!.lowM!
    }
    expect(width(6)).toBeLessThan(width(1))
  })
  it('leaves open what the walks leave open', () => {
    expect(edgeRanking([walk('a', 'w', 2000, null)])!.reaches[0]!.highM).toBeNull()
    expect(edgeRanking([walk('a', 'w', null, 800)])!.reaches[0]!.lowM).toBeNull()
    expect(edgeRanking([])).toBeNull()
    expect(edgeRanking([walk('a', 'w', null, null), walk('a', 'w', 0, null)])).toBeNull()
  })
})
