import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { SAMPLING, sampleSpreads, type SampledSpreads } from './spreadSampling'

/** ln of a normal's density at a point, up to a constant. */
const lnNormal = (x: Float64Array, mean: readonly number[], sd: readonly number[]) =>
  -0.5 * mean.reduce((s, m, i) => s + ((x[i]! - m) / sd[i]!) ** 2, 0)

const sampled = (dimensions: number, ln: (x: Float64Array) => number, plan = SAMPLING) =>
  sampleSpreads(dimensions, (x) => ({ ln: ln(x), of: null }), seededRandom(3), plan)

const meanOf = ({ points, weights }: SampledSpreads<null>, of: (x: Float64Array) => number) =>
  points.reduce((s, p, i) => s + weights[i]! * of(p.theta), 0)

describe('points of the spreads', () => {
  it('have the mean and the spread of what they are drawn from', () => {
    const [mean, sd] = [
      [0.8, -1.2, 0.3],
      [0.4, 1, 0.15],
    ]
    const found = sampled(3, (x) => lnNormal(x, mean, sd))
    expect(found).toMatchObject({ slower: false, poor: false })
    expect(found.weights.reduce((s, w) => s + w, 0)).toBeCloseTo(1, 9)
    mean.forEach((m, i) => {
      expect(Math.abs(meanOf(found, (x) => x[i]!) - m)).toBeLessThan(0.1 * sd[i]!)
      const variance = meanOf(found, (x) => (x[i]! - m) ** 2)
      expect(Math.sqrt(variance) / sd[i]!).toBeGreaterThan(0.85)
      expect(Math.sqrt(variance) / sd[i]!).toBeLessThan(1.15)
    })
  })

  it('follow one that is bent, which no normal is like', () => {
    // x is N(0, 1), and y N(x² / 2, 0.4²): E y = 1 / 2, E x y = 0.
    const found = sampled(2, (x) => -0.5 * x[0]! ** 2 - 0.5 * ((x[1]! - x[0]! ** 2 / 2) / 0.4) ** 2)
    expect(Math.abs(meanOf(found, (x) => x[0]!))).toBeLessThan(0.15)
    expect(Math.abs(meanOf(found, (x) => x[1]!) - 0.5)).toBeLessThan(0.15)
    expect(Math.abs(meanOf(found, (x) => x[0]! * x[1]!))).toBeLessThan(0.2)
  })

  it('leave out those at which nothing can be worked out', () => {
    const found = sampleSpreads(
      1,
      (x) => (x[0]! < 0 ? null : { ln: -0.5 * x[0]! ** 2, of: null }),
      seededRandom(3),
    )
    expect(found.points.every((p) => p.theta[0]! >= 0)).toBe(true)
    // The mean of the positive half of N(0, 1) is √(2 / π).
    expect(Math.abs(meanOf(found, (x) => x[0]!) - Math.sqrt(2 / Math.PI))).toBeLessThan(0.1)
  })

  it('are more where the weights are uneven, and say so where no number of them is enough', () => {
    const narrow = (x: Float64Array) => lnNormal(x, [0, 0, 0, 0], [1, 1, 1, 0.02])
    const few = { ...SAMPLING, minEffective: 1e6, maxFurther: 2 }
    const more = sampled(4, narrow, few)
    expect(more.rounds).toBe(4)
    expect(more.slower || more.poor).toBe(true)
    expect(sampled(4, narrow, { ...few, maxFurther: 0 })).toMatchObject({ poor: true, rounds: 2 })
  })

  it('are the same for the same seed', () => {
    const ln = (x: Float64Array) => lnNormal(x, [0.5, 0], [1, 0.3])
    expect(sampled(2, ln).points.map((p) => [...p.theta])).toEqual(
      sampled(2, ln).points.map((p) => [...p.theta]),
    )
  })
})
