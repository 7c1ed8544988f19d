import { describe, expect, it } from 'vitest'
import type { Effect } from '../joint/effects'
import { sureTogether, type DifferenceBy } from './differencesBy'

const effect = (estimate: number, p: number): Effect => ({
  estimate,
  interval90: { low: estimate - 1, high: estimate + 1 },
  interval95: { low: estimate - 1.2, high: estimate + 1.2 },
  p,
})

/** One pair in two groups, of which it was found to change by chance in p. */
const pair = (p: number): DifferenceBy => ({
  a: 'A',
  b: 'B',
  unit: 'dB',
  within: [
    { group: 'near', effect: effect(3, 0.01), marks: 8 },
    { group: 'far', effect: effect(-2, 0.01), marks: 8 },
  ],
  change: { from: 'near', to: 'far', effect: effect(-5, p) },
  flips: true,
})
const unchanged: DifferenceBy = { ...pair(1), change: null, flips: false }
const asked = (...pairs: DifferenceBy[][]) =>
  sureTogether(pairs.map((p, i) => ({ what: String(i), pairs: p })))

describe('changes of a log that is asked several questions', () => {
  it('of one question are what they were', () => {
    expect(asked([pair(0.04)])[0]!.pairs[0]).toEqual(pair(0.04))
    expect(asked([unchanged])[0]!.pairs[0]).toEqual(unchanged)
  })

  it('have to be surer the more is asked, and what is not sure is no flip either', () => {
    const few = asked([pair(0.02)], [unchanged])
    expect(few[0]!.pairs[0]!.change).not.toBeNull()
    const [first, second] = asked([pair(0.02)], [unchanged], [unchanged])
    expect(first!.pairs[0]).toMatchObject({ change: null, flips: false, within: pair(0.02).within })
    expect(second!.pairs[0]).toEqual(unchanged)
  })

  it('count the pairs and the groups that were looked at', () => {
    const two = asked([pair(0.02), unchanged], [unchanged, unchanged])
    expect(two[0]!.pairs[0]!.change).toBeNull()
    const three = { ...pair(0.008), within: [...pair(0.008).within, pair(0.008).within[0]!] }
    expect(asked([three], [unchanged])[0]!.pairs[0]!.change).not.toBeNull()
    expect(asked([three], [unchanged], [unchanged])[0]!.pairs[0]!.change).toBeNull()
  })
})
