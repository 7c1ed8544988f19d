import { describe, expect, it } from 'vitest'
import { edgeReach } from './edgeReach'

describe('edgeReach', () => {
  it('is the posterior of the same model on R’s fine grid', () => {
    const found = edgeReach([
      { heardToM: 1200, lostByM: 1400 },
      { heardToM: 2000, lostByM: 2600 },
      { heardToM: 900, lostByM: null },
    ])!
    // R: 4001 values of μ, the same thirteen of σ: median 1733.8, 1180.2 to 2727.2.
    expect(found.medianM / 1733.8).toBeCloseTo(1, 1)
    expect(found.lowM! / 1180.2).toBeCloseTo(1, 1)
    expect(found.highM! / 2727.2).toBeCloseTo(1, 1)
    expect(found.ninetyM).toBeLessThan(found.medianM)
    expect(found.walks).toBe(3)
  })
  it('one walk has the prior’s spread, and more walks are surer', () => {
    const walk = { heardToM: 1500, lostByM: 1600 }
    const [one, five] = [edgeReach([walk])!, edgeReach(Array.from({ length: 5 }, () => walk))!]
    expect(one.highM! / one.lowM!).toBeGreaterThan(1.8)
    expect(five.highM! / five.lowM!).toBeLessThan(one.highM! / one.lowM!)
  })
  it('leaves open what the walks leave open', () => {
    expect(edgeReach([{ heardToM: 2000, lostByM: null }])!.highM).toBeNull()
    expect(edgeReach([{ heardToM: null, lostByM: 800 }])!.lowM).toBeNull()
    expect(edgeReach([])).toBeNull()
    expect(edgeReach([{ heardToM: null, lostByM: null }])).toBeNull()
  })
})
