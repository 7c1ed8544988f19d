import stdQuantile from '@stdlib/stats-base-dists-normal-quantile'

/**
 * Standard normal quantile, the inverse of normalCdf.
 * @param p chance, 0 to 1
 * @throws RangeError when p is outside 0 to 1
 */
export function normalQuantile(p: number): number {
  if (!(p >= 0 && p <= 1)) throw new RangeError(`p must be between 0 and 1, not ${p}`)
  return stdQuantile(p, 0, 1)
}
