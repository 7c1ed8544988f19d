import { describe, expect, it } from 'vitest'
import { lnSplitNormal, splitNormalCdf, splitNormalQuantile } from './splitNormal'

describe('the two-piece normal', () => {
  const split = { below: 3, above: 0.7 }

  it('is the normal where both pieces have its spread', () => {
    expect(splitNormalCdf({ below: 2, above: 2 }, 1.2)).toBeCloseTo(0.7257468822, 9)
    expect(splitNormalQuantile({ below: 2, above: 2 }, 0.975)).toBeCloseTo(3.919927969, 9)
  })

  it.each([0.001, 0.3, 0.81, 0.95, 0.9999])('has its quantiles where its chance is %f', (p) => {
    expect(splitNormalCdf(split, splitNormalQuantile(split, p))).toBeCloseTo(p, 10)
  })

  it('has the chance that its density adds up to', () => {
    let sum = 0
    for (let z = -25; z < 0.5; z += 0.001)
      sum += 0.001 * Math.exp(lnSplitNormal(split, z + 0.0005)) * Math.sqrt(1 / (2 * Math.PI))
    expect(splitNormalCdf(split, 0.5)).toBeCloseTo(sum, 4)
  })
})
