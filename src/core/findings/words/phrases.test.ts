import { describe, expect, it } from 'vitest'
import { andList, signed, tenths } from './phrases'
import { outBackWords } from './words'

describe('figures and lists in sentences', () => {
  it('have a proper minus, and nought has no sign', () => {
    expect([3.14, -0.42, -0.04, 0.04, 0].map(tenths)).toEqual(['3.1', '−0.4', '0.0', '0.0', '0.0'])
    expect([3.14, -0.42, -0.04, 0.04, 0].map(signed)).toEqual(['+3.1', '−0.4', '0.0', '0.0', '0.0'])
  })

  it('lists are said as people say them', () => {
    expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map(andList)).toEqual(['', 'a', 'a and b', 'a, b and c'])
  })
})

describe('talk-out against talk-back', () => {
  const said = (db: number, low: number, high: number, powerDb: number) =>
    outBackWords({ linkId: 'a', db, low, high, powerDb }, () => 'Long whip', 3)

  it('the power is taken off first', () => {
    expect(said(11.3, 9.3, 13.2, 11)).toBe(
      'Long whip is heard 11.3 dB stronger out there than at the base (9.3 to 13.2); 11.0 dB of it is power, and the rest lies within the margin: both directions match.',
    )
  })

  it('with the same power at both ends nothing is put down to it', () => {
    expect(said(-0.2, -2.5, 1.7, 0)).toBe(
      'Long whip is heard 0.2 dB stronger at the base than out there (−2.5 to 1.7); both ends have the same power: both directions match.',
    )
  })

  it('where it cannot be told, what would have been missed is', () => {
    expect(said(1, -4, 6, 0)).toBe(
      'Long whip is heard 1.0 dB stronger out there than at the base (−4.0 to 6.0); both ends have the same power, and nothing is seen, but 6.0 dB would have been missed.',
    )
  })

  it('what goes beyond it has other reasons', () => {
    expect(said(-6, -8, -4, 2)).toBe(
      'Long whip is heard 6.0 dB stronger at the base than out there (−8.0 to −4.0); 2.0 dB of it is power; beyond that 8.0 dB stronger at the base than out there: another meter, another noise or a poor receiver.',
    )
  })
})
