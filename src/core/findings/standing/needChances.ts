import { chanceOf, type Reaches } from '@/core/model/answers'
import type { FindingsInput } from '../input'
import type { JointFit } from '../joint/jointFit'
import { usableDraws } from '../reach/usableDraws'

/** How likely it is that a link meets what is needed, floor and ceiling together. */
export interface NeedChance {
  linkId: string
  chance: number
}

/** A chance of copy that counts as unlikely. */
export const UNLIKELY = 0.1

/**
 * The chance of each link to be copied out to the floor with the reliability that is wanted, and to be copied less than
 * 1 time in 10 beyond the ceiling in either direction: both in the same draws.
 * @returns empty where nothing is needed
 */
export function needChances(input: FindingsInput, joint: JointFit, read: Reaches): NeedChance[] {
  const { floorM, ceilingM } = input.need ?? { floorM: null, ceilingM: null }
  if (floorM === null && ceilingM === null) return []
  return input.links.map((link, l) => {
    const near = floorM === null ? null : usableDraws(input, read, l, input.reliability)
    const far = ceilingM === null ? [] : input.directions.map((_, d) => read.oneWay(l, d, UNLIKELY))
    const [least, most] = [Math.log10(floorM ?? 1), Math.log10(ceilingM ?? 1)]
    return {
      linkId: link.id,
      chance: chanceOf(
        joint.fit,
        (i) => (near === null || near[i]! >= least) && far.every((f) => f[i]! <= most),
      ),
    }
  })
}
