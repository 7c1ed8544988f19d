import { meanExcess, normalPdf } from './normal'

const PER_UNIT = 32
const LAST = 30
const N = LAST * PER_UNIT + 2
/**
 * G(-z)/φ(z) for z from nought to 30, and its slope over 32 beside it: smooth, so that a cubic between steps is enough.
 */
const RATIOS = new Float64Array(N)
const SLOPES = new Float64Array(N)
for (let i = 0; i < N; i++) {
  const z = i / PER_UNIT
  const density = normalPdf(z)
  const ratio = z < LAST + 1 && density > 0 ? meanExcess(-z) / density : 0
  RATIOS[i] = ratio
  // With G' = Φ and φ' = -zφ: d/dz (G(-z)/φ(z)) = -Φ(-z)/φ(z) + z ratio, and Φ(-z) = (φ(z) - G(-z))/z; at
  // nought -Φ(0)/φ(0).
  SLOPES[i] = (z > 0 ? -(1 - ratio) / z + z * ratio : -Math.sqrt(Math.PI / 2)) / PER_UNIT
}
const INV_SQRT_2PI = 0.3989422804014327

/**
 * {@link meanExcess} from a table by cubic Hermite interpolation of its ratio to the density, some five times
 * as fast; for the inner loops of likelihoods. Relative error below 1e-7 between -30 and infinity, nought below.
 */
export function quickMeanExcess(z: number): number {
  // From nine on what is left of the density is lost in rounding.
  if (z > 9) return z
  if (z > 0) return z + quickMeanExcess(-z)
  const x = -z * PER_UNIT
  if (!(x < N - 2)) return 0
  const i = x | 0
  const t = x - i
  const a = RATIOS[i]!
  const m = SLOPES[i]!
  const d = RATIOS[i + 1]! - a
  const k = SLOPES[i + 1]!
  return INV_SQRT_2PI * Math.exp(-0.5 * z * z) * (a + t * (m + t * (3 * d - 2 * m - k + t * (m + k - 2 * d))))
}
