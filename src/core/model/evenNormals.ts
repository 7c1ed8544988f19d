import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import type { UniformRandom } from '@/core/stats/numeric/uniformRandom'

/** The root above one of x^(d+1) = x + 1. */
function goldenOf(dimensions: number): number {
  let x = 1.5
  for (let i = 0; i < 60; i++) x = (1 + x) ** (1 / (dimensions + 1))
  return x
}

/**
 * Standard normals that fill their space more evenly than independent ones would: an additive recurrence by the powers
 * of the generalised golden ratio (Roberts 2018), shifted at random, through the normal quantile. Means over
 * them err less for the same number.
 * @returns n points of so many dimensions
 */
export function evenNormals(dimensions: number, n: number, random: UniformRandom): Float64Array[] {
  const golden = goldenOf(dimensions)
  const shift = Float64Array.from({ length: dimensions }, () => random.uniform())
  return Array.from({ length: n }, (_, k) =>
    Float64Array.from(shift, (s, i) => {
      const u = (s + (k + 1) / golden ** (i + 1)) % 1
      return normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, u)))
    }),
  )
}
