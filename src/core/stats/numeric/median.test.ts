import { describe, expect, it } from 'vitest'
import { effectiveNumber } from './effectiveNumber'
import { median } from './median'

describe('median', () => {
  it.each([
    [[7], 7],
    [[9, 1, 4], 4],
    [[10, 1, 3, 2], 2.5],
  ])('of %j is %f', (values, middle) => expect(median(values)).toBe(middle))

  it('leaves what it is given as it is', () => {
    const given = [3, 1, 2]
    median(given)
    expect(given).toEqual([3, 1, 2])
  })
})

describe('the effective number of weighted draws', () => {
  it.each([
    [[1, 1, 1, 1], 4],
    [[5, 5, 0, 0], 2],
    [[0.97, 0.01, 0.01, 0.01], 1 / (0.97 ** 2 + 3 * 0.01 ** 2)],
  ])('of %j is %f', (weights, n) => expect(effectiveNumber(weights)).toBeCloseTo(n, 4))

  it('is the same whatever the weights add up to', () =>
    expect(effectiveNumber([2, 6, 4])).toBeCloseTo(effectiveNumber([0.2, 0.6, 0.4]), 12))
})
