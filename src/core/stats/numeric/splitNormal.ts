import { normalCdf } from './normal'
import { normalQuantile } from './normalQuantile'

/** Two halves of normals about nought that meet there, each with a spread of its own (two-piece normal; Fechner 1897). */
export interface SplitNormal {
  below: number
  above: number
}

/** ln of its density, up to ln √(2π). */
export function lnSplitNormal({ below, above }: SplitNormal, z: number): number {
  const s = z < 0 ? below : above
  return -0.5 * (z / s) ** 2 + Math.log(2 / (below + above))
}

/** The chance of less than z. */
export function splitNormalCdf({ below, above }: SplitNormal, z: number): number {
  return z < 0
    ? (2 * below * normalCdf(z / below)) / (below + above)
    : (below - above + 2 * above * normalCdf(z / above)) / (below + above)
}

/**
 * Less than this has the chance p.
 * @param p above 0 and below 1
 */
export function splitNormalQuantile({ below, above }: SplitNormal, p: number): number {
  const both = below + above
  return p * both < below
    ? below * normalQuantile((p * both) / (2 * below))
    : above * normalQuantile(0.5 + (p * both - below) / (2 * above))
}
