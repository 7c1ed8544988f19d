import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { evenNormals } from './evenNormals'
import { evenShares } from './evenShares'

describe('even shares', () => {
  it('add up, and none is off by as much as one', () => {
    const random = seededRandom(5)
    for (let t = 0; t < 200; t++) {
      const weights = Array.from({ length: 1 + Math.floor(20 * random.uniform()) }, () => random.uniform())
      const n = Math.floor(100 * random.uniform())
      const total = weights.reduce((s, w) => s + w, 0)
      const shares = evenShares(weights, n)
      expect(shares.reduce((s, v) => s + v, 0)).toBe(n)
      shares.forEach((v, i) => expect(Math.abs(v - (n * weights[i]!) / total)).toBeLessThan(1 + 1e-9))
    }
  })

  it('give nothing to what weighs nothing', () => {
    expect(evenShares([0, 2, 0, 2], 6)).toEqual([0, 3, 0, 3])
  })
})

describe('even normals', () => {
  it('have mean nought and spread one far more closely than so many independent ones', () => {
    const n = 400
    const points = evenNormals(3, n, seededRandom(8))
    for (let i = 0; i < 3; i++) {
      const mean = points.reduce((s, p) => s + p[i]!, 0) / n
      const square = points.reduce((s, p) => s + p[i]! ** 2, 0) / n
      // Independent ones err by 0.05 and 0.07 in one standard deviation.
      expect(Math.abs(mean)).toBeLessThan(0.02)
      expect(Math.abs(square - 1)).toBeLessThan(0.04)
    }
    const product = points.reduce((s, p) => s + p[0]! * p[1]!, 0) / n
    expect(Math.abs(product)).toBeLessThan(0.06)
  })
})
