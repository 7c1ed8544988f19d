import { dot } from './dot'

/**
 * The inverse of a curvature after a step along which the slope turned (Broyden, Fletcher, Goldfarb and Shanno;
 * Nocedal and Wright, Numerical Optimization, section 6.1).
 * @param h the inverse before @param step what was gone @param turned by how much the slope grew along it
 * @returns null where the slope turned by no more than `least` along the step
 */
export function bfgsUpdate(
  h: readonly (readonly number[])[],
  step: ArrayLike<number>,
  turned: ArrayLike<number>,
  least: number,
): number[][] | null {
  const sg = dot(step, turned)
  if (!(sg > least)) return null
  const hg = h.map((row) => dot(row, turned))
  const ghg = dot(turned, hg)
  return h.map((row, i) =>
    row.map(
      (v, j) =>
        v + ((1 + ghg / sg) * step[i]! * step[j]!) / sg - (hg[i]! * step[j]! + step[i]! * hg[j]!) / sg,
    ),
  )
}
