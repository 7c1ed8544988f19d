import { evenGrid, fromLog, type GridPosterior } from './posterior'
import type { SpreadSetting } from './spreadSettings'

/** A posterior of the difference, the settings integrated out, and the posterior median of σd. */
export interface Posterior {
  grid: GridPosterior
  spread: number
}

/** Every so many points of a smooth grid are worked out, and those between by cubics. */
const EVERY = 3
/** Every so many points of a wide grid are worked out first. */
const FIRST = 4
/** What is this far below the highest, log units, weighs nothing. */
const NOTHING = 25

/** The posterior on an even grid, worked out at every point. */
export function posteriorOn(
  settings: readonly SpreadSetting[],
  from: number,
  to: number,
  n: number,
): Posterior {
  const deltas = evenGrid(from, to, n)
  return together(
    settings,
    settings.map((s) => s.logLikelihood(deltas)),
    from,
    to,
    n,
  )
}

/**
 * The posterior on a grid that is fine beside the posterior's own width: every third point is worked out, and the logarithms
 * between them, which are smooth there, come from cubics through four of them.
 * @param times steps of three points
 */
export function smoothPosterior(
  settings: readonly SpreadSetting[],
  from: number,
  to: number,
  times: number,
): Posterior {
  const nodes = evenGrid(from, to, times + 1)
  const n = EVERY * times + 1
  return together(
    settings,
    settings.map((s) => betweenByCubics(s.logLikelihood(nodes), n)),
    from,
    to,
    n,
  )
}

function betweenByCubics(nodes: Float64Array, n: number): Float64Array {
  const last = nodes.length - 1
  return Float64Array.from({ length: n }, (_, i) => {
    const k = Math.max(1, Math.min(last - 2, Math.floor(i / EVERY)))
    const t = i / EVERY - k
    const [a, b, c, d] = [nodes[k - 1]!, nodes[k]!, nodes[k + 1]!, nodes[k + 2]!]
    return (
      (-a * t * (t - 1) * (t - 2)) / 6 +
      (b * (t + 1) * (t - 1) * (t - 2)) / 2 -
      (c * (t + 1) * t * (t - 2)) / 2 +
      (d * (t + 1) * t * (t - 1)) / 6
    )
  })
}

/**
 * The posterior on a grid much wider than itself: every fourth point shows where it lies, and only there the rest is worked
 * out; elsewhere, where nothing weighs, it is a straight line between.
 */
export function widePosterior(
  settings: readonly SpreadSetting[],
  from: number,
  to: number,
  n: number,
): Posterior {
  const deltas = evenGrid(from, to, n)
  const first = [...deltas.keys()].filter((i) => i % FIRST === 0 || i === n - 1)
  const rough = settings.map((s) => s.logLikelihood(Float64Array.from(first, (i) => deltas[i]!)))
  const heights = first.map((_, k) => settings.reduce((m, s, j) => Math.max(m, rough[j]![k]! + s.logPrior), -Infinity)) // prettier-ignore
  const top = heights.reduce((m, v) => Math.max(m, v), -Infinity)
  const near = new Set<number>()
  for (let k = 0; k < first.length; k++)
    if (heights[k]! > top - NOTHING)
      for (let i = first[Math.max(0, k - 1)]!; i <= first[Math.min(first.length - 1, k + 1)]!; i++)
        near.add(i)
  const rest = [...near].filter((i) => i % FIRST !== 0 && i !== n - 1)
  const restAt = Float64Array.from(rest, (i) => deltas[i]!)
  const logs = settings.map((s, j) => {
    const log = new Float64Array(n)
    first.forEach((i, k) => (log[i] = rough[j]![k]!))
    for (let k = 1; k < first.length; k++) {
      const [l, r] = [first[k - 1]!, first[k]!]
      for (let i = l + 1; i < r; i++) log[i] = log[l]! + ((log[r]! - log[l]!) * (i - l)) / (r - l)
    }
    s.logLikelihood(restAt).forEach((v, k) => (log[rest[k]!] = v))
    return log
  })
  return together(settings, logs, from, to, n)
}

function together(
  settings: readonly SpreadSetting[],
  likelihoods: readonly Float64Array[],
  from: number,
  to: number,
  n: number,
): Posterior {
  const tops = new Float64Array(n).fill(-Infinity)
  settings.forEach((s, k) => {
    for (let i = 0; i < n; i++) tops[i] = Math.max(tops[i]!, likelihoods[k]![i]! + s.logPrior)
  })
  const top = tops.reduce((m, v) => Math.max(m, v), -Infinity)
  const sums = new Float64Array(n)
  const bySpread = settings.map((s, k) => {
    let mass = 0
    for (let i = 0; i < n; i++) {
      const under = likelihoods[k]![i]! + s.logPrior - top
      if (under < -NOTHING && tops[i]! > top - NOTHING) continue
      const weight = Math.exp(under)
      sums[i]! += weight
      mass += weight
    }
    return { spread: s.spread, mass }
  })
  bySpread.sort((x, y) => x.spread - y.spread)
  const half = bySpread.reduce((sum, v) => sum + v.mass, 0) / 2
  let sum = 0
  const median = bySpread.find(({ mass }) => (sum += mass) >= half)
  return {
    grid: fromLog(from, (to - from) / (n - 1), sums.map(Math.log)),
    spread: (median ?? bySpread[bySpread.length - 1]!).spread,
  }
}
