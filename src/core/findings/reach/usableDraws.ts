import type { Reaches } from '@/core/model/answers'
import type { FindingsInput } from '../input'

/** lg of the reach in m by draw: both ways together, or the one direction there is. @param link by its place */
export function usableDraws(input: FindingsInput, read: Reaches, link: number, p: number): Float64Array {
  if (input.directions.length === 2) return read.bothWays(link, p)
  // A loop or a single direction stands alone; of three the shortest counts.
  const apart = input.directions.map((_, d) => read.oneWay(link, d, p))
  return apart[0]!.map((_, i) => Math.min(...apart.map((a) => a[i]!)))
}
