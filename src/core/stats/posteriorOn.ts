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
 * The posterior on a grid much wider than itself. Every fourth point is worked out, outwards from about where the difference lies
 * until nothing weighs any more, since chances of reports that are intervals have one top only; then the points between those that
 * weigh. Beyond, the density is nought.
 * @param nearDb about where the difference lies
 */
export function widePosterior(
  settings: readonly SpreadSetting[],
  from: number,
  to: number,
  n: number,
  nearDb: number,
): Posterior {
  const deltas = evenGrid(from, to, n)
  const logs = settings.map(() => new Float64Array(n).fill(-Infinity))
  const heights = new Float64Array(n).fill(-Infinity)
  const workOut = (at: readonly number[]) => {
    const places = Float64Array.from(at, (i) => deltas[i]!)
    settings.forEach((s, j) => {
      s.logLikelihood(places).forEach((v, k) => {
        logs[j]![at[k]!] = v
        heights[at[k]!] = Math.max(heights[at[k]!]!, v + s.logPrior)
      })
    })
  }
  const inside = (i: number) => Math.max(0, Math.min(n - 1, i))
  const middle = inside(Math.round(((nearDb - from) / (to - from)) * (n - 1)))
  let [left, right] = [inside(middle - 2 * FIRST), inside(middle + 2 * FIRST)]
  const nodes = [...new Set([left, inside(middle - FIRST), middle, inside(middle + FIRST), right])]
  workOut(nodes)
  const top = () => nodes.reduce((m, i) => Math.max(m, heights[i]!), -Infinity)
  while (left > 0 && heights[left]! > top() - NOTHING) {
    left = inside(left - FIRST)
    nodes.push(left)
    workOut([left])
  }
  while (right < n - 1 && heights[right]! > top() - NOTHING) {
    right = inside(right + FIRST)
    nodes.push(right)
    workOut([right])
  }
  nodes.sort((a, b) => a - b)
  const least = top() - NOTHING
  const between = nodes.slice(1).flatMap((r, k) => {
    const l = nodes[k]!
    if (heights[l]! < least && heights[r]! < least) return []
    return Array.from({ length: r - l - 1 }, (_, i) => l + 1 + i)
  })
  workOut(between)
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
