import { studentQuantile } from '@/core/stats'

/** Fewer marks than this have no interval of their own worth telling. */
const MIN_PLAIN = 4

/**
 * The mean of paired differences with Student's 90 % interval: the check on the model that needs none.
 * @param differences one for each mark, dB
 * @returns null of fewer than four
 */
export function plainDifference(
  differences: readonly number[],
): { estimate: number; low: number; high: number; marks: number } | null {
  const n = differences.length
  if (n < MIN_PLAIN) return null
  const estimate = differences.reduce((s, v) => s + v, 0) / n
  const sd = Math.sqrt(differences.reduce((s, v) => s + (v - estimate) ** 2, 0) / (n - 1))
  const half = (studentQuantile(0.95, n - 1) * sd) / Math.sqrt(n)
  return { estimate, low: estimate - half, high: estimate + half, marks: n }
}
