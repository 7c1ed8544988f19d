import { describe, expect, it } from 'vitest'
import { descend, importanceDraws } from '.'

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

const mean = (v: number[]) => v.reduce((s, x) => s + x, 0) / v.length

describe('draws by importance', () => {
  it('of a normal have its mean and spread; of a skewed density its mean and not its mode', () => {
    const normal = importanceDraws(([x]) => -0.5 * (x! - 3) ** 2, [3], [[1]], 4000, 1).map((d) => d[0]!)
    expect(mean(normal)).toBeCloseTo(3, 1)
    expect(mean(normal.map((x) => (x - 3) ** 2))).toBeCloseTo(1, 0)
    // A gamma of shape 4: mode 3, mean 4.
    const gamma = importanceDraws(([x]) => (x! > 0 ? 3 * Math.log(x!) - x! : -Infinity), [3], [[3]], 6000, 2)
    expect(mean(gamma.map((d) => d[0]!))).toBeGreaterThan(3.8)
  })
  it('cover a ridge that is bent and leans to one side, where the curvature at the mode says little', () => {
    // x ~ N(0, 2²) and y about x²/5, give or take 1: by hand the mean of y is 0.8, and 5 and 95 per cent of x
    // lie at ∓3.29.
    const log = ([x, y]: readonly number[]) => -0.5 * (x! / 2) ** 2 - 0.5 * (y! - x! ** 2 / 5) ** 2
    const ends = [1, 2, 3, 4].map((seed) => {
      const draws = importanceDraws(
        log,
        [0, 0],
        [
          [4, 0],
          [0, 1],
        ],
        400,
        seed,
      )
      const xs = draws.map((d) => d[0]!).sort((a, b) => a - b)
      return { low: xs[20]!, high: xs[379]!, y: mean(draws.map((d) => d[1]!)) }
    })
    expect(Math.abs(mean(ends.map((e) => e.low)) + 3.29)).toBeLessThan(0.35)
    expect(Math.abs(mean(ends.map((e) => e.high)) - 3.29)).toBeLessThan(0.35)
    expect(Math.abs(mean(ends.map((e) => e.y)) - 0.8)).toBeLessThan(0.15)
  })
  it('are the same for the same seed', () => {
    const of = (seed: number) => importanceDraws(([x]) => -(x! ** 2), [0], [[0.5]], 50, seed)
    expect(of(1)).toEqual(of(1))
    expect(of(1)).not.toEqual(of(2))
  })
})
