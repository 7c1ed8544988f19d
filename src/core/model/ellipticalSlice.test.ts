import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { ellipticalSlice } from './ellipticalSlice'
import { sampleSpreads } from './spreadSampling'

const meanOf = (v: number[]) => v.reduce((s, x) => s + x, 0) / v.length

describe('a walk by elliptical slices', () => {
  it('has the mean and spread of the posterior: N(0, 1) seen at 3 with spread 0.5', () => {
    // 3 / 0.25 / (1 + 1 / 0.25) = 2.4, with variance 1 / (1 + 4) = 0.2.
    const walk = ellipticalSlice(
      new Float64Array([0, 0]),
      { steps: 6000 },
      (t) => ({ ln: -0.5 * ((t[0]! - 3) / 0.5) ** 2, of: null }),
      seededRandom(1),
    ).slice(200)
    const first = walk.map((p) => p.theta[0]!)
    const mean = meanOf(first)
    expect(Math.abs(mean - 2.4)).toBeLessThan(0.05)
    expect(Math.abs(meanOf(first.map((v) => (v - mean) ** 2)) - 0.2)).toBeLessThan(0.03)
    const free = walk.map((p) => p.theta[1]!)
    expect(Math.abs(meanOf(free))).toBeLessThan(0.1)
    expect(Math.abs(meanOf(free.map((v) => v * v)) - 1)).toBeLessThan(0.1)
  })

  it('keeps off where nothing can be worked out, and says nothing from there', () => {
    const at = (t: Float64Array) => (t[0]! < 0 ? null : { ln: 0, of: null })
    const walk = ellipticalSlice(new Float64Array([1]), { steps: 500 }, at, seededRandom(2))
    expect(Math.min(...walk.map((p) => p.theta[0]!))).toBeGreaterThanOrEqual(0)
    expect(ellipticalSlice(new Float64Array([-1]), { steps: 5 }, at, seededRandom(2))).toEqual([])
  })

  it('ends where its evaluations are used up', () => {
    let asked = 0
    const at = (t: Float64Array) => {
      asked++
      return { ln: -0.5 * ((t[0]! - 3) / 0.01) ** 2, of: null }
    }
    const walk = ellipticalSlice(new Float64Array([3]), { steps: 500, evaluations: 100 }, at, seededRandom(2))
    expect(walk.length).toBeLessThan(100)
    expect(asked).toBeLessThanOrEqual(101)
  })

  it('takes over where weights stay uneven: two far hills, of which normals about one see one', () => {
    const hill = (x: number) =>
      Math.exp(-0.5 * ((x - 2.2) / 0.02) ** 2) + Math.exp(-0.5 * ((x + 2.2) / 0.3) ** 2)
    const at = (t: Float64Array) => ({ ln: Math.log(hill(t[0]!) + 1e-300) - 0.5 * t[0]! ** 2, of: null })
    const plan = { first: 10, second: 10, further: 4, maxFurther: 1, minEffective: 60, maxParetoK: 0.7 }
    const found = sampleSpreads(1, at, seededRandom(3), plan)
    expect(found.slower).toBe(true)
    const below = found.points.reduce((s, p, i) => (p.theta[0]! < 0 ? s + found.weights[i]! : s), 0)
    // The wide hill has fifteen sixteenths of it.
    expect(below).toBeGreaterThan(0.8)
  })
})
