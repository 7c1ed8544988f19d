import { describe, expect, it } from 'vitest'
import { descend } from '..'

describe('the least value of a smooth function', () => {
  it('of a curved valley (after Rosenbrock) is at 1, 1', () => {
    const { x } = descend(([a, b]) => (1 - a!) ** 2 + 5 * (b! - a! ** 2) ** 2, [-1.2, 1], [0.5, 0.5])
    expect(x[0]).toBeCloseTo(1, 1)
    expect(x[1]).toBeCloseTo(1, 1)
  })
  it('has the inverse of the function’s curvature there', () => {
    // Hand calculation: second derivatives 6, 1, 10, so the inverse is 1/59 of 10, -1, 6.
    const f = ([a, b]: readonly number[]) => 3 * (a! - 2) ** 2 + a! * b! + 5 * b! ** 2
    const expected = [
      [10 / 59, -1 / 59],
      [-1 / 59, 6 / 59],
    ]
    const { covariance } = descend(f, [0, 0], [1, 0.1])
    expected.forEach((row, i) => row.forEach((v, j) => expect(covariance![i]![j]).toBeCloseTo(v, 5)))
  })
  it('has none where the function is level in some direction', () => {
    expect(descend(([a, b]) => (a! + b! - 1) ** 2, [3, 0], [1, 1]).covariance).toBeNull()
  })
})
