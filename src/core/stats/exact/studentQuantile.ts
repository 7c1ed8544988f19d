import betaQuantile from '@stdlib/stats-base-dists-beta-quantile'

/**
 * Student's t quantile from the beta distribution: t² / (t² + n) is Beta(1/2, n/2).
 * @param p above a half and below 1 @param freedom degrees of freedom, 1 or more
 */
export function studentQuantile(p: number, freedom: number): number {
  const x = betaQuantile(2 * p - 1, 0.5, freedom / 2)
  return Math.sqrt((freedom * x) / (1 - x))
}
