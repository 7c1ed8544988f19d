import { describe, expect, it } from 'vitest'
import { readDistance, readDistances } from './readDistance'

describe('a distance as it is typed', () => {
  it.each([
    ['820 m', 820],
    ['0.1 mi', 160.9344],
    ['.1mi', 160.9344],
    ['500 feet', 152.4],
    ['120 yd', 109.728],
    ['1,2 km', 1200],
    ['1.2', 1200],
  ])('%s', (text, metres) => {
    expect(readDistance(text, 'km')).toBeCloseTo(metres, 6)
  })
  it.each(['', '0', '-3 m', 'far', '3 leagues', '1 2'])('refuses "%s"', (text) => {
    expect(readDistance(text, 'km')).toBeNull()
  })
  it('several, with one unit behind them or each with its own', () => {
    expect(readDistances('50 100, 200; 400', 'm')).toEqual([50, 100, 200, 400])
    expect(readDistances('0.1 0.2 0.5 mi', 'ft')!.map((m) => Math.round(m))).toEqual([161, 322, 805])
    expect(readDistances('500 ft, 0.5 mi', 'ft')!.map((m) => Math.round(m))).toEqual([152, 805])
    expect(readDistances('500 ft and more', 'ft')).toBeNull()
  })
})
