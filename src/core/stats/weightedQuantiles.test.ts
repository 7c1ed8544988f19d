import { describe, expect, it } from 'vitest'
import { lagrangeCubic } from './lagrangeCubic'
import { weightedQuantiles } from './weightedQuantiles'

describe('weighted quantiles', () => {
  it('are the first values whose weight with all below reaches the share, whatever order they come in', () => {
    const values = [
      { value: 3, weight: 1 },
      { value: 1, weight: 2 },
      { value: 2, weight: 1 },
    ]
    expect(weightedQuantiles(values, [0.1, 0.5, 0.75, 0.76, 1])).toEqual([1, 1, 2, 3, 3])
    expect(values[0]!.value).toBe(3)
  })
})

describe('the cubic through four points', () => {
  it('is a cubic where that is one, and the value itself at each', () => {
    const cubic = (x: number) => 2 - x + 3 * x ** 2 - 0.5 * x ** 3
    const at = [-2, -0.5, 1, 4] as const
    const read = (x: number) => lagrangeCubic(at, x).reduce((sum, w, i) => sum + w * cubic(at[i]!), 0)
    for (const x of [-2, -1.3, 0, 2.2, 4]) expect(read(x)).toBeCloseTo(cubic(x), 10)
    expect(lagrangeCubic(at, 1)).toEqual([0, 0, 1, 0].map((v) => expect.closeTo(v, 12)))
  })
})
