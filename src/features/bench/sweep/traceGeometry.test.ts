import { describe, expect, it } from 'vitest'
import { axisOf, frequencyAxis, pathOf, roundTicks } from './traceGeometry'

describe('round ticks', () => {
  it('are round, hold both ends where they are, and are no more than asked', () => {
    expect(roundTicks(0, 60, 6)).toEqual([0, 10, 20, 30, 40, 50, 60])
    expect(roundTicks(144, 146, 5)).toEqual([144, 144.5, 145, 145.5, 146])
    expect(roundTicks(0.3, 0.62, 4)).toEqual([0.3, 0.4, 0.5, 0.6])
    for (const [low, high, most] of [
      [1, 9.7, 3],
      [-250, 250, 8],
      [430, 440, 7],
    ] as const) {
      const ticks = roundTicks(low, high, most)
      expect(ticks.length).toBeLessThanOrEqual(most + 1)
      expect(ticks.every((t) => t >= low - 1e-9 && t <= high + 1e-9)).toBe(true)
    }
  })
})

describe('the upright axis of a sweep', () => {
  it('draws the limit where it lies on each scale', () => {
    // SWR 2: |Γ| a third, return loss 20 lg 3.
    expect(axisOf('swr', [], 2).limit).toBe(2)
    expect(axisOf('gamma', [], 2).limit).toBeCloseTo(1 / 3, 12)
    expect(axisOf('return-loss', [], 2).limit).toBeCloseTo(20 * Math.log10(3), 9)
    expect(axisOf('ohms', [], 2).limit).toBeNull()
  })

  it('of return loss reaches to 20 dB at the least, and falls from its top', () => {
    expect(axisOf('return-loss', [], 2)).toMatchObject({ low: 0, high: 20, downward: true })
  })
})

describe('the axis of frequency', () => {
  it('goes from place to frequency and back, straight or by the logarithm', () => {
    for (const log of [false, true]) {
      const axis = frequencyAxis(100, 400, log, 600, 6)
      expect(axis.x(100)).toBeCloseTo(0, 9)
      expect(axis.x(400)).toBeCloseTo(600, 9)
      // Half-way is the mean of the ends, or twice the lower where each half is a doubling.
      expect(axis.at(300)).toBeCloseTo(log ? 200 : 250, 9)
      for (const f of [120, 200, 333]) expect(axis.at(axis.x(f))).toBeCloseTo(f, 6)
    }
  })
})

describe('a line', () => {
  it('is broken where there is nothing to draw', () => {
    const points = [1, 2, null, 3, 4].map((y, x) => ({ x, y }))
    expect(pathOf(points)).toBe('M0.0 1.0L1.0 2.0M3.0 3.0L4.0 4.0')
    expect(pathOf([])).toBe('')
  })
})
