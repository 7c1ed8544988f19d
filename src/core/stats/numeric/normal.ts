import erfc from '@stdlib/math-base-special-erfc'

const INV_SQRT_2PI = 0.3989422804014327

/**
 * Standard normal distribution function Φ(z): the chance of a value at or below z.
 * @param z standard score, any real number or ±Infinity
 * @returns 0 to 1, relative error below 1e-14 (stdlib's erfc)
 * @example normalCdf(1.2815515655446004) // 0.9
 */
export function normalCdf(z: number): number {
  return 0.5 * erfc(-z * Math.SQRT1_2)
}

/** Standard normal density φ(z). */
export function normalPdf(z: number): number {
  return INV_SQRT_2PI * Math.exp(-0.5 * z * z)
}
