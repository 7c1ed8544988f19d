import { describe, expect, it } from 'vitest'
import { endClutterDb, woodsLoss } from '.'

describe('what stands about an end, by ITU-R P.2108-1, 3.1', () => {
  // The formula worked out by hand for 1.4 m in a suburb of 10 m and a dense town of 20 m.
  it.each([
    [50, 7.5, 12.8],
    [155, 11.5, 17.5],
    [446, 15.8, 22.1],
    [868, 18.7, 25.0],
    [2450, 23.2, 29.5],
  ])('at %s MHz', (mhz, suburb, town) => {
    expect(endClutterDb(mhz, 1.4, 10)).toBeCloseTo(suburb, 1)
    expect(Math.abs(endClutterDb(mhz, 1.4, 20) - town)).toBeLessThan(0.06)
  })
  it('comes to nothing at the tops without a step, and falls with height', () => {
    expect(endClutterDb(446, 10, 10)).toBe(0)
    expect(endClutterDb(446, 9.999, 10)).toBeLessThan(0.01)
    expect(endClutterDb(446, 30, 10)).toBe(0)
    const byHeight = [1, 2, 4, 6, 8, 9.5].map((h) => endClutterDb(446, h, 10))
    expect(byHeight).toEqual([...byHeight].sort((a, b) => b - a))
  })
})

describe('woods, by ITU-R P.833', () => {
  it('Am of the measured forest', () => {
    // P.833's table of Am: 9.4 dB at 105.9 MHz, 18.0 at 466.475, 34.1 at 2117.5; its formula is that of the fit.
    expect(woodsLoss(105.9, 1e6)).toBeCloseTo(9.7, 1)
    expect(woodsLoss(466.475, 1e6)).toBeCloseTo(18.1, 1)
    expect(woodsLoss(2117.5, 1e6)).toBeCloseTo(34.2, 1)
  })
  it('by hand: 80 m at 466 MHz, 18.11 (1 - exp(-80 · 0.12 / 18.11)) = 7.45', () => {
    expect(woodsLoss(466.475, 80)).toBeCloseTo(7.45, 2)
  })
  it('has no step in frequency', () => {
    for (let f = 30; f < 3000; f *= 1.01)
      expect(woodsLoss(f * 1.001, 100) - woodsLoss(f, 100)).toBeLessThan(0.03)
  })
  it('nothing in no wood; a depth below nought is refused', () => {
    expect(woodsLoss(446, 0)).toBe(0)
    expect(() => woodsLoss(446, -1)).toThrow(/depthM/)
  })
})
