import { bfgsUpdate } from './bfgsUpdate'
import { inverseSpd } from './cholesky'

/** Where a function is least, and how it curves there. */
export interface Least {
  x: number[]
  value: number
  /** Inverse of the second derivatives there; null where they are not definite. */
  covariance: number[][] | null
}

const ROUNDS = 60
const NEAR = 1e-3
/** Once a round gains less than this, the curvature is taken by differences, and steps go by it. */
const CLOSE = 1

/**
 * The least value of a smooth function of a dozen variables, by the quasi-Newton method of Broyden, Fletcher,
 * Goldfarb and Shanno with forward differences and a halving line search (Nocedal and Wright, Numerical
 * Optimization, chapter 6), and its curvature there. Near the end it starts from second differences, which
 * saves rounds where variables hang together.
 * @param f function; large where it is not defined
 * @param start where to begin
 * @param scale what counts as a fair step along each variable, above nought
 */
export function descend(
  f: (x: readonly number[]) => number,
  start: readonly number[],
  scale: readonly number[],
): Least {
  const n = start.length
  const at = (y: readonly number[]) => f(y.map((v, i) => v * scale[i]!))
  let y = start.map((v, i) => v / scale[i]!)
  let value = at(y)
  const gradientAt = (point: readonly number[], here: number) =>
    point.map((v, i) => {
      const moved = [...point]
      moved[i] = v + NEAR
      return (at(moved) - here) / NEAR
    })
  let gradient = gradientAt(y, value)
  let inverse = first(n)
  let curved = false
  for (let round = 0; round < ROUNDS; round++) {
    let step = inverse.map((row) => -row.reduce((s, v, j) => s + v * gradient[j]!, 0))
    let downhill = step.reduce((s, v, i) => s + v * gradient[i]!, 0)
    if (!(downhill < 0)) {
      step = gradient.map((g) => -0.3 * g)
      downhill = step.reduce((s, v, i) => s + v * gradient[i]!, 0)
      inverse = first(n)
    }
    const length = Math.hypot(...step)
    let share = length > 4 ? 4 / length : 1
    let next = y.map((v, i) => v + share * step[i]!)
    let nextValue = at(next)
    while (!(nextValue <= value + 1e-4 * share * downhill) && share > 1e-5) {
      share /= 2.5
      next = y.map((v, i) => v + share * step[i]!)
      nextValue = at(next)
    }
    if (share <= 1e-5) break
    const gained = value - nextValue
    const nextGradient = gradientAt(next, nextValue)
    const s = next.map((v, i) => v - y[i]!)
    const g = nextGradient.map((v, i) => v - gradient[i]!)
    y = next
    value = nextValue
    gradient = nextGradient
    if (gained < 1e-5) break
    const bent = !curved && gained < CLOSE ? inverseSpd(curvature(at, y, value, true)) : null
    if (bent) {
      curved = true
      inverse = bent
    } else inverse = bfgsUpdate(inverse, s, g, 1e-10) ?? inverse
  }
  const covariance = inverseSpd(curvature(at, y, value, false))
  return {
    x: y.map((v, i) => v * scale[i]!),
    value,
    covariance: covariance && covariance.map((row, i) => row.map((v, j) => v * scale[i]! * scale[j]!)),
  }
}

const first = (n: number): number[][] =>
  Array.from({ length: n }, (_, i) => Array.from({ length: n }, (__, j) => (i === j ? 0.3 : 0)))

/**
 * Second derivatives by differences, on the scale of fair steps.
 * @param oneWay half as many calls; what is not square in two variables together does not cancel then
 */
function curvature(
  at: (y: readonly number[]) => number,
  y: readonly number[],
  here: number,
  oneWay: boolean,
): number[][] {
  const d = 0.15
  const moved = (i: number, by: number, j = -1) => at(y.map((v, k) => (k === i || k === j ? v + by : v)))
  const up = y.map((_, i) => moved(i, d))
  const down = y.map((_, i) => moved(i, -d))
  const h = y.map(() => new Array<number>(y.length).fill(0))
  for (let i = 0; i < y.length; i++) {
    h[i]![i] = (up[i]! - 2 * here + down[i]!) / (d * d)
    for (let j = 0; j < i; j++) {
      const forwards = moved(i, d, j) - up[i]! - up[j]! + here
      const both = oneWay ? forwards : (forwards + moved(i, -d, j) - down[i]! - down[j]! + here) / 2
      h[i]![j] = h[j]![i] = both / (d * d)
    }
  }
  return h
}
