import { inverseSpd } from '@/core/stats/numeric/cholesky'

/** Keeps a covariance of draws that hardly differ from being singular, dB². */
const LEAST_VARIANCE = 1e-4

/**
 * Coefficients of a linear model by generalised least squares, draw by draw: what was drawn of the rows is weighed by
 * its own covariance over the draws.
 * @param design a row for each figure, a number for each coefficient; of full rank
 * @param figures draws of each row's figure
 * @returns draws of each coefficient
 */
export function leastSquares(
  design: readonly (readonly number[])[],
  figures: readonly Float64Array[],
): Float64Array[] {
  const n = figures[0]?.length ?? 0
  const means = figures.map((f) => f.reduce((s, v) => s + v, 0) / n)
  const covariance = figures.map((f, i) =>
    figures.map((g, k) => {
      let sum = i === k ? LEAST_VARIANCE * n : 0
      for (let t = 0; t < n; t++) sum += (f[t]! - means[i]!) * (g[t]! - means[k]!)
      return sum / n
    }),
  )
  const weight = inverseSpd(covariance)
  const columns = design[0]?.map((_, j) => design.map((row) => row[j]!)) ?? []
  const times = (m: readonly (readonly number[])[], v: readonly number[]) =>
    m.map((row) => row.reduce((s, x, i) => s + x * v[i]!, 0))
  const weighted = weight && columns.map((c) => times(weight, c))
  const normal =
    weighted && inverseSpd(columns.map((c) => weighted.map((w) => c.reduce((s, x, i) => s + x * w[i]!, 0))))
  if (!weighted || !normal) throw new RangeError('the design does not tell its coefficients apart')
  return normal.map((row) => {
    // Of each figure in this coefficient.
    const shares = figures.map((_, i) => row.reduce((s, x, j) => s + x * weighted[j]![i]!, 0))
    return Float64Array.from({ length: n }, (_, t) =>
      shares.reduce((s, share, i) => s + share * figures[i]![t]!, 0),
    )
  })
}
