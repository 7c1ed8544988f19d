import type { ModelPriors } from './priors'
import type { ModelData } from './reports'

/** Fewer distances than this do not tell a bend. */
const MIN_DISTANCES = 8
/** Where the distances of the marks are parted. */
const PARTS = [1 / 3, 2 / 3]

/**
 * Where the fall of the level with distance may become another one, lg of m: so that each part has as many distances.
 * @returns empty where there are too few, or the priors know no bend
 */
export function bendsOf({ distanceM }: ModelData, { bendSd }: ModelPriors): number[] {
  const all = [...new Set(distanceM.map(Math.log10))].sort((a, b) => a - b)
  if (bendSd <= 0 || all.length < MIN_DISTANCES) return []
  return PARTS.map((p) => {
    const i = Math.round(p * all.length)
    return (all[i - 1]! + all[i]!) / 2
  })
}
