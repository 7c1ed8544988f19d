import type { Interval, PairedDifference } from './pairedDifference'
import { chanceAbove, posteriorQuantile, type GridPosterior } from './posterior'

function density(grid: GridPosterior, at: number): number {
  const x = (at - grid.startDb) / grid.stepDb
  const i = Math.floor(x)
  if (i < 0 || i >= grid.density.length - 1) return 0
  return grid.density[i]! + (x - i) * (grid.density[i + 1]! - grid.density[i]!)
}

function area(grid: GridPosterior): number {
  return grid.density.reduce((s, v) => s + v, 0) * grid.stepDb
}

/**
 * Averages posteriors found under several values of something unknown (the step of an unmeasured meter), each with the
 * same weight. Ends that are open in any of them are open in the result.
 */
export function mixDifferences(parts: readonly PairedDifference[]): PairedDifference {
  const grids = parts.flatMap((p) => (p.grid ? [p.grid] : []))
  const first = parts[0]!
  if (parts.length === 1 || grids.length !== parts.length) return first
  const from = Math.min(...grids.map((g) => g.startDb))
  const to = Math.max(...grids.map((g) => g.startDb + (g.density.length - 1) * g.stepDb))
  const n = 400
  const stepDb = (to - from) / (n - 1)
  const mixed: GridPosterior = {
    startDb: from,
    stepDb,
    density: Float64Array.from({ length: n }, (_, i) =>
      grids.reduce((s, g) => s + density(g, from + i * stepDb) / area(g), 0),
    ),
  }
  const interval = (pick: (p: PairedDifference) => Interval, tail: number): Interval => ({
    low: parts.some((p) => pick(p).low === null) ? null : posteriorQuantile(mixed, tail),
    high: parts.some((p) => pick(p).high === null) ? null : posteriorQuantile(mixed, 1 - tail),
  })
  const spreads = parts.map((p) => p.spread ?? 0).sort((a, b) => a - b)
  return {
    ...first,
    estimate: parts.some((p) => p.estimate === null) ? null : posteriorQuantile(mixed, 0.5),
    interval90: interval((p) => p.interval90, 0.05),
    interval95: interval((p) => p.interval95, 0.025),
    chanceAIsBetter: chanceAbove(mixed, 0),
    spread: spreads[Math.floor(spreads.length / 2)]!,
    grid: mixed,
  }
}
