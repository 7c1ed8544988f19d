import { dot } from '@/core/stats/numeric/dot'
import { bfgsUpdate } from '@/core/stats/numeric/bfgsUpdate'
import { inverseSpd } from '@/core/stats/numeric/cholesky'

/** About where a density is highest, and the covariance of the normal that lies on it there. */
export interface Peak {
  x: Float64Array
  covariance: number[][]
}

const MAX_ROUNDS = 12
/** Nowhere is a density taken to be wider than the prior's N(0, 1) by much, nor so much narrower. */
const MIN_CURVE = 0.6
const MAX_CURVE = 2000
const LONGEST = 2.5
/** The top is near enough when a whole step would gain less than this. */
const NEAR = 0.1
/** Looking to either side goes so many standard deviations far. */
const SIDE = 0.8

/**
 * Looks for the top of a smooth log density that is N(0, I) or narrower, by the quasi-Newton method of Broyden,
 * Fletcher, Goldfarb and Shanno with differences to either side, then for the curvature there. It need not be
 * exact: it is where sampling begins. Where nothing is known of the middle it is the prior's.
 * @param at the log density; -Infinity where it is not defined
 * @param start where it is looked for first, and how it lies there; its variables have no more in common than that
 */
export function peakOf(dimensions: number, at: (x: Float64Array) => number, start: Peak | null = null): Peak {
  let x = start ? start.x.slice() : new Float64Array(dimensions)
  let here = at(x)
  if (!Number.isFinite(here)) return { x, covariance: diagonal(new Float64Array(dimensions).fill(1)) }
  let around = look(
    x,
    here,
    at,
    x.map((_, i) => (start ? Math.sqrt(start.covariance[i]![i]!) : 0.7)),
  )
  let inverse = start ? alike(start, around) : diagonal(around.curve.map((c) => 1 / c))
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const { slope } = around
    let step = times(inverse, slope)
    if (dot(step, slope) < NEAR) break
    const length = Math.hypot(...step)
    if (length > LONGEST) step = step.map((v) => (v * LONGEST) / length)
    let next = x.map((v, i) => v + step[i]!)
    let found = at(next)
    for (let halvings = 0; !(found > here) && halvings < 5; halvings++) {
      step = step.map((v) => v / 2)
      next = x.map((v, i) => v + step[i]!)
      found = at(next)
    }
    if (!(found > here)) break
    x = next
    here = found
    const before = around
    around = look(
      x,
      here,
      at,
      before.curve.map((c) => 1 / Math.sqrt(c)),
    )
    const turned = before.slope.map((v, i) => v - around.slope[i]!)
    inverse = bfgsUpdate(inverse, step, turned, 1e-8) ?? diagonal(around.curve.map((c) => 1 / c))
  }
  return { x, covariance: start ? alike(start, around) : covarianceAt(x, here, at, around) }
}

/** A covariance with the correlations of one peak, as narrow as was found by looking along each axis. */
function alike({ covariance }: Peak, { curve }: Around): number[][] {
  const precision = inverseSpd(covariance)
  const scale = precision && Array.from(curve, (c, i) => Math.sqrt(c / precision[i]![i]!))
  const scaled = scale && inverseSpd(precision.map((row, i) => row.map((v, j) => v * scale[i]! * scale[j]!)))
  return scaled ?? diagonal(curve.map((c) => 1 / c))
}

interface Around {
  /** How far was looked along each axis, and what was found there. */
  by: Float64Array
  up: Float64Array
  down: Float64Array
  slope: Float64Array
  curve: Float64Array
}

function look(x: Float64Array, here: number, at: (x: Float64Array) => number, spread: Float64Array): Around {
  const by = spread.map((s) => SIDE * s)
  const side = (i: number, d: number) => {
    const moved = x.slice()
    moved[i]! += d
    return Math.max(at(moved), here - 1e3)
  }
  const up = by.map((d, i) => side(i, d))
  const down = by.map((d, i) => side(i, -d))
  const curve = by.map((d, i) =>
    Math.max(MIN_CURVE, Math.min(MAX_CURVE, (2 * here - up[i]! - down[i]!) / (d * d))),
  )
  return { by, up, down, curve, slope: by.map((d, i) => (up[i]! - down[i]!) / (2 * d)) }
}

const times = (m: readonly (readonly number[])[], v: Float64Array) =>
  Float64Array.from(m, (row) => row.reduce((s, c, j) => s + c * v[j]!, 0))
const diagonal = (v: Float64Array) => Array.from(v, (d, i) => Array.from(v, (_, j) => (i === j ? d : 0)))

function covarianceAt(
  x: Float64Array,
  here: number,
  at: (x: Float64Array) => number,
  { by, up, down, curve }: Around,
): number[][] {
  // Both to the side on which the density falls less steeply, where more of it lies.
  const way = by.map((_, i) => (up[i]! >= down[i]! ? 1 : -1))
  const near = by.map((_, i) => Math.max(up[i]!, down[i]!))
  const h = diagonal(curve)
  for (let i = 0; i < x.length; i++)
    for (let j = 0; j < i; j++) {
      const moved = x.slice()
      moved[i]! += way[i]! * by[i]!
      moved[j]! += way[j]! * by[j]!
      const both = Math.max(at(moved), here - 1e3)
      h[i]![j] = h[j]![i] = (-(both - near[i]! - near[j]! + here) * way[i]! * way[j]!) / (by[i]! * by[j]!)
    }
  // Where differences make it indefinite, what variables have in common is taken to be less.
  for (let share = 1; share > 0.01; share *= 0.7) {
    const inverse = inverseSpd(h.map((row, i) => row.map((v, j) => (i === j ? v : v * share))))
    if (inverse?.every((row, i) => row[i]! < 3)) return inverse
  }
  return diagonal(curve.map((c) => 1 / c))
}
