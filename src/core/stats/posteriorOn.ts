import { evenGrid, fromLog, type GridPosterior } from './posterior'
import { weightedQuantiles } from './weightedQuantiles'
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
    return { value: s.spread, weight: mass }
  })
  return {
    grid: fromLog(from, (to - from) / (n - 1), sums.map(Math.log)),
    spread: weightedQuantiles(masses, [0.5])[0]!,
  }
}
