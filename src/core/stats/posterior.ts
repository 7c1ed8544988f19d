/** A posterior on an even grid, and how to read it. `density` need not be normalised. */
export interface GridPosterior {
  startDb: number
  stepDb: number
  density: Float64Array
}

/** `n` values from one to another, evenly apart. */
export function evenGrid(from: number, to: number, n: number): Float64Array {
  return Float64Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1))
}

/** Turns log densities into densities whose largest is 1. */
export function fromLog(startDb: number, stepDb: number, logDensity: Float64Array): GridPosterior {
  let top = -Infinity
  for (const v of logDensity) if (v > top) top = v
  return { startDb, stepDb, density: logDensity.map((v) => Math.exp(v - top)) }
}

/**
 * Quantile of a grid posterior by the trapezoid rule and linear interpolation.
 * @param p 0 to 1
 */
export function posteriorQuantile(grid: GridPosterior, p: number): number {
  const { density, startDb, stepDb } = grid
  let total = 0
  for (let i = 1; i < density.length; i++) total += (density[i]! + density[i - 1]!) / 2
  const goal = p * total
  let sum = 0
  for (let i = 1; i < density.length; i++) {
    const piece = (density[i]! + density[i - 1]!) / 2
    if (sum + piece >= goal && piece > 0) return startDb + (i - 1 + (goal - sum) / piece) * stepDb
    sum += piece
  }
  return startDb + (density.length - 1) * stepDb
}

/** The same posterior, wider by a factor about its median. */
export function widened(grid: GridPosterior, factor: number): GridPosterior {
  const middle = posteriorQuantile(grid, 0.5)
  return { ...grid, startDb: middle + factor * (grid.startDb - middle), stepDb: factor * grid.stepDb }
}

/** Chance that the value is above a point. */
export function chanceAbove(grid: GridPosterior, point: number): number {
  const { density, startDb, stepDb } = grid
  let total = 0
  let over = 0
  for (let i = 1; i < density.length; i++) {
    const left = startDb + (i - 1) * stepDb
    const d0 = density[i - 1]!
    const d1 = density[i]!
    total += (d0 + d1) / 2
    if (left >= point) over += (d0 + d1) / 2
    else if (left + stepDb > point) {
      const f = (point - left) / stepDb
      over += ((1 - f) * (d0 + (d1 - d0) * f + d1)) / 2
    }
  }
  return total > 0 ? over / total : 0.5
}

/** Share of the mass in the outermost twentieth of the grid at either end: does the likelihood level out there? */
export function edgeMass(grid: GridPosterior): { low: number; high: number } {
  const n = grid.density.length
  const k = Math.max(1, Math.round(n / 20))
  const total = grid.density.reduce((s, v) => s + v, 0)
  const low = grid.density.slice(0, k).reduce((s, v) => s + v, 0)
  const high = grid.density.slice(n - k).reduce((s, v) => s + v, 0)
  return { low: low / total, high: high / total }
}

/** Where the density first (low) or last (high) reaches a share of its largest value. */
export function crossing(grid: GridPosterior, share: number, end: 'low' | 'high'): number {
  const { density, startDb, stepDb } = grid
  const goal = share * Math.max(...density)
  const n = density.length
  for (let k = 0; k < n; k++) {
    const i = end === 'low' ? k : n - 1 - k
    if (density[i]! < goal) continue
    const before = end === 'low' ? i - 1 : i + 1
    if (before < 0 || before >= n) return startDb + i * stepDb
    const f = (density[i]! - goal) / (density[i]! - density[before]!)
    return startDb + (i + f * (before - i)) * stepDb
  }
  return startDb
}
