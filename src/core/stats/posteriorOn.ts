import { evenGrid, fromLog, type GridPosterior } from './posterior'
import type { SpreadSetting } from './spreadSettings'

/** A posterior of the difference, the settings integrated out, and the posterior median of σd. */
export interface Posterior {
  grid: GridPosterior
  spread: number
}

/** The posterior on an even grid, worked out at every point. */
export function posteriorOn(
  settings: readonly SpreadSetting[],
  from: number,
  to: number,
  n: number,
): Posterior {
  const deltas = evenGrid(from, to, n)
  const logs = settings.map((s) => s.logLikelihood(deltas).map((v) => v + s.logPrior))
  const top = logs.reduce((m, log) => log.reduce((t, v) => Math.max(t, v), m), -Infinity)
  const sums = new Float64Array(n)
  const masses = settings.map((s, k) => {
    let mass = 0
    for (let i = 0; i < n; i++) {
      const weight = Math.exp(logs[k]![i]! - top)
      sums[i]! += weight
      mass += weight
    }
    return { spread: s.spread, mass }
  })
  return { grid: fromLog(from, (to - from) / (n - 1), sums.map(Math.log)), spread: medianSpread(masses) }
}

/** Median of σd over settings that weigh so much. */
export function medianSpread(masses: readonly { spread: number; mass: number }[]): number {
  const sorted = [...masses].sort((x, y) => x.spread - y.spread)
  const half = sorted.reduce((sum, v) => sum + v.mass, 0) / 2
  let sum = 0
  return (sorted.find(({ mass }) => (sum += mass) >= half) ?? sorted[sorted.length - 1]!).spread
}
