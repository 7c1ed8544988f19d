import { describe, expect, it } from 'vitest'
import { cholesky, inverseSpd, solveSpd } from '..'

describe('solveSpd', () => {
  it('solves, and says where it cannot', () => {
    const [x] = solveSpd(
      [
        [4, 2],
        [2, 3],
      ],
      [[2, 5]],
    )!
    expect(x![0]).toBeCloseTo(-0.5, 12)
    expect(x![1]).toBeCloseTo(2, 12)
    expect(
      solveSpd(
        [
          [1, 1],
          [1, 1],
        ],
        [[1, 1]],
      ),
    ).toBeNull()
  })
})

describe('cholesky', () => {
  it('multiplies back to the matrix, and cuts a direction that is not definite', () => {
    const l = cholesky([
      [4, 2],
      [2, 3],
    ])
    expect(l[0]![0]! ** 2).toBeCloseTo(4, 12)
    expect(l[1]![0]! * l[0]![0]!).toBeCloseTo(2, 12)
    expect(l[1]![0]! ** 2 + l[1]![1]! ** 2).toBeCloseTo(3, 12)
    expect(
      cholesky([
        [1, 1],
        [1, 1],
      ])[1],
    ).toEqual([1, 0])
  })
  it('gives the inverse, or says where there is none', () => {
    const inverse = inverseSpd([
      [4, 2],
      [2, 3],
    ])!
    // By hand: 1/8 of [[3, -2], [-2, 4]].
    expect(inverse.flat().map((v) => 8 * v)).toEqual([3, -2, -2, 4].map((v) => expect.closeTo(v, 12)))
    expect(
      inverseSpd([
        [0, 0],
        [0, 1],
      ]),
    ).toBeNull()
  })
})
