import { differenceDraws, levelDraws, posteriorOf, type Posterior, type Reaches } from '@/core/model/answers'
import type { Direction } from '@/core/kit/rig/rig'
import type { FindingsInput } from '../input'
import { unitOf, type DifferenceUnit, type JointFit } from '../joint/jointFit'
import type { LinkReach } from '../reach/jointReaches'
import { usableDraws } from '../reach/usableDraws'
import { placesOf } from './places'

/** Where a link stands among the others, with the powers that were used. */
interface Standing {
  linkId: string
  /** m for a reach; for a level, dB or steps against the mean of all links, or their order and no more. */
  estimate: number
  low: number
  high: number
  /** The chance that it comes first, second, and so on. */
  places: number[]
}

/** Links in order, the first the one that reaches farthest or is heard strongest. */
export interface Standings {
  by: 'reach' | 'level'
  unit: 'm' | DifferenceUnit
  links: Standing[]
  /** In the same order, the chance that the row is ahead of the column. */
  ahead: number[][]
}

/** A level as its listener's scale has it, at the middle of all distances or at the one place there is. */
export interface LevelHere {
  linkId: string
  direction: Direction
  level: number
  low: number
  high: number
}

/**
 * The order of links, of those that were tried at enough marks: by the usable reach at the chance that is wanted,
 * or by level where nothing is said of a distance.
 * @param read as reachesUnder gave it; null where levels alone tell
 * @param reaches as found, for what each link was tried at
 * @returns null of a single link
 */
export function standingsOf(
  input: FindingsInput,
  joint: JointFit,
  read: Reaches | null,
  reaches: readonly LinkReach[],
): Standings | null {
  const told = input.links.flatMap((link, at) => {
    const own = reaches.filter((r) => r.linkId === link.id)
    const enough = read
      ? own.some((r) => r.reaches.some((x) => x.seen !== 'too few marks'))
      : own.some((r) => r.checks > 0)
    return enough ? [{ link, at }] : []
  })
  if (told.length < 2) return null
  const { fit } = joint
  const listeners = input.directions.map((_, d) => d)
  const { unit, size } = read ? { unit: 'm' as const, size: 1 } : unitOf(joint, listeners)
  const draws = read
    ? told.map(({ at }) => usableDraws(input, read, at, input.reliability))
    : againstMean(told.map(({ at }) => differenceDraws(fit, at, told[0]!.at, listeners, true))).map((d) =>
        d.map((v) => v / size),
      )
  const figures = (p: Posterior) =>
    read
      ? { estimate: 10 ** p.q50, low: 10 ** p.q05, high: 10 ** p.q95 }
      : { estimate: p.q50, low: p.q05, high: p.q95 }
  const middles = draws.map((d) => posteriorOf(fit, d))
  const order = told.map((_, i) => i).sort((a, b) => middles[b]!.q50 - middles[a]!.q50)
  const { chances, ahead } = placesOf(order.map((i) => draws[i]!))
  return {
    by: read ? 'reach' : 'level',
    unit,
    links: order.map((i, k) => ({
      linkId: told[i]!.link.id,
      ...figures(middles[i]!),
      places: chances[k]!,
    })),
    ahead,
  }
}

/** Links as they stand; those that no order holds come last, as planned. */
export function inOrder<T extends { id: string }>(links: readonly T[], standings: Standings | null): T[] {
  const place = new Map(standings?.links.map((s, i) => [s.linkId, i]))
  const at = ({ id }: T) => place.get(id) ?? links.length
  return [...links].sort((a, b) => at(a) - at(b))
}

/** Draws less the mean of all, draw by draw. */
function againstMean(draws: readonly Float64Array[]): Float64Array[] {
  return draws.map((own) => own.map((v, i) => v - draws.reduce((sum, d) => sum + d[i]!, 0) / draws.length))
}

/** Levels of a log from one place, link by link at each listener that reports in dB. */
export function levelsHere(input: FindingsInput, joint: JointFit): LevelHere[] {
  return input.directions.flatMap((direction, d) => {
    if (unitOf(joint, [d]).unit !== 'dB') return []
    return input.links.flatMap((link, l) => {
      if (!joint.input.model.reports.some((r) => r.link === l && r.listener === d)) return []
      const p = posteriorOf(joint.fit, levelDraws(joint.fit, l, d))
      return [{ linkId: link.id, direction, level: p.q50, low: p.q05, high: p.q95 }]
    })
  })
}
