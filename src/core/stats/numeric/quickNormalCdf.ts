import { normalCdf, normalPdf } from './normal'

const PER_UNIT = 64
const LAST = 8
const N = 2 * LAST * PER_UNIT + 1
/** Φ at every 64th from -8 to 8, and φ over 64 beside it: what a cubic between two of them needs. */
const VALUES = new Float64Array(N)
const SLOPES = new Float64Array(N)
for (let i = 0; i < N; i++) {
  const z = i / PER_UNIT - LAST
  VALUES[i] = normalCdf(z)
  SLOPES[i] = normalPdf(z) / PER_UNIT
}

/**
 * Φ(z) from a table by cubic Hermite interpolation, some ten times as fast as {@link normalCdf}; for the inner loops of
 * integrals. Absolute error below 1e-9, nought and one beyond 8.
 */
export function quickNormalCdf(z: number): number {
  const x = (z + LAST) * PER_UNIT
  if (!(x > 0)) return 0
  if (x >= N - 1) return 1
  const i = x | 0
  const t = x - i
  const a = VALUES[i]!
  const b = VALUES[i + 1]!
  const m = SLOPES[i]!
  const k = SLOPES[i + 1]!
  const d = b - a
  return a + t * (m + t * (3 * d - 2 * m - k + t * (m + k - 2 * d)))
}
