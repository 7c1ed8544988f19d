import { describe, expect, it } from 'vitest'
import { paretoShape } from './paretoShape'

/** Quantiles of a generalised Pareto distribution: ((1 - p)^-k - 1) / k. */
const paretoOf = (k: number, n: number) =>
  Array.from({ length: n }, (_, i) => ((1 - (i + 0.5) / n) ** -k - 1) / k)

describe('the shape of the largest weights', () => {
  it('is that of the distribution they come from, drawn towards a half as by ten more of them', () => {
    for (const k of [0.2, 0.5, 0.9]) {
      const n = 4000
      const tail = Math.floor(3 * Math.sqrt(n))
      expect(Math.abs(paretoShape(paretoOf(k, n)) - (tail * k + 5) / (tail + 10))).toBeLessThan(0.08)
    }
  })

  it('does not hang on their size or order', () => {
    const weights = paretoOf(0.4, 500)
    const turned = weights.map((w) => 7 * w).reverse()
    expect(paretoShape(turned)).toBeCloseTo(paretoShape(weights), 6)
  })

  it('is nothing to fear where all are alike, and not to be trusted of a handful', () => {
    expect(paretoShape(new Array<number>(200).fill(0.005))).toBe(-Infinity)
    expect(paretoShape([1, 2, 3, 4, 5])).toBe(Infinity)
  })
})
