import { inverseSpd } from '@/core/stats/numeric/cholesky'
import type { Peak } from './peak'
import type { ModelData, ModelInput } from './reports'

/** Neighbours that stay together, so that what they share is told by as many pairs. */
const BLOCK = 12

/** A run of one in so many blocks of marks, all along its legs. @param one 2 or more */
export function thinned({ input, marks }: ModelData, one: number): ModelInput {
  const kept = new Set(marks.filter((_, at) => Math.floor(at / BLOCK) % one === 0))
  return { ...input, reports: input.reports.filter((r) => kept.has(r.mark)) }
}

/**
 * Where the peak of a density of N(0, I) and reports lies about, and how, by that of one in so many of its reports: all
 * of them say so many times as much.
 */
export function ofAll(peak: Peak, one: number): Peak {
  const few = inverseSpd(peak.covariance)
  const all =
    few &&
    inverseSpd(few.map((row, i) => row.map((v, j) => (i === j ? 1 : 0) + one * (v - (i === j ? 1 : 0)))))
  return { x: peak.x, covariance: all ?? peak.covariance.map((row) => row.map((v) => v / one)) }
}
