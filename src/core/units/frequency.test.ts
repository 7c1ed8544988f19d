import { describe, expect, it } from 'vitest'
import {
  aboutDistanceText,
  fromShown,
  inchText,
  likelyFrequencies,
  millimetreText,
  shortLengthText,
  shownUnit,
  toShown,
} from '.'

describe('a frequency typed in another unit', () => {
  const bands = [
    { fromMHz: 144, toMHz: 146 },
    { fromMHz: 2400, toMHz: 2500 },
  ]
  it('is offered in MHz where a band of the radio then fits', () => {
    expect(likelyFrequencies(145500, bands)).toEqual([{ frequencyMHz: 145.5, typedIn: 'kHz' }])
    expect(likelyFrequencies(0.1455, bands)).toEqual([{ frequencyMHz: 145.5, typedIn: 'GHz' }])
    expect(likelyFrequencies(2.45, bands)).toEqual([{ frequencyMHz: 2450, typedIn: 'GHz' }])
    expect(likelyFrequencies(145500000, bands)).toEqual([{ frequencyMHz: 145.5, typedIn: 'Hz' }])
    expect(likelyFrequencies(145.5, bands)).toEqual([])
    expect(likelyFrequencies(433, bands)).toEqual([])
  })
  it('without bands only what can be no MHz is doubted', () => {
    expect(likelyFrequencies(145500, [])).toEqual([
      { frequencyMHz: 145.5, typedIn: 'kHz' },
      { frequencyMHz: 0.1455, typedIn: 'Hz' },
    ])
    expect(likelyFrequencies(7, [])).toEqual([])
    expect(likelyFrequencies(-7, [])).toEqual([])
  })
})

describe('short lengths', () => {
  it('in millimetres, metres, inches, feet', () => {
    expect(millimetreText(0.1548)).toBe('154.8 mm')
    expect(millimetreText(1.0344)).toBe('1.034 m')
    expect(inchText(0.1548)).toBe('6.09 in')
    expect(inchText(3.6559)).toBe('11 ft 11.9 in')
    expect(inchText(3.657)).toBe('12 ft 0.0 in')
    expect(shortLengthText(0.1, 'imperial')).toBe('3.94 in')
  })
  it('typed in the user’s unit and back', () => {
    expect(shownUnit('mm', 'imperial')).toBe('in')
    expect(shownUnit('dB', 'imperial')).toBe('dB')
    expect(toShown(8, 'm', 'imperial')).toBe(26.247)
    expect(fromShown(toShown(30, 'mm', 'imperial'), 'mm', 'imperial')).toBeCloseTo(30, 1)
    expect(toShown(8, 'W', 'imperial')).toBe(8)
    expect(fromShown(8, 'm', 'metric')).toBe(8)
  })

  it('says an estimate with two figures however far', () => {
    expect([870, 1_940, 9_960, 137_400, 1_437_000].map((m) => aboutDistanceText(m, 'metric'))).toEqual([
      '870 m',
      '1.9 km',
      '10 km',
      '140 km',
      '1400 km',
    ])
    expect(aboutDistanceText(137_400, 'imperial')).toBe('85 mi')
  })
})
