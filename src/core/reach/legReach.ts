import type { Direction, Link } from '@/core/kit/rig/rig'
import type { TakenGains } from '@/core/kit/rig/taken'
import { normalQuantile } from '@/core/stats/numeric/normal'
import { sortedQuantile } from '@/core/stats/numeric/sortedQuantile'
import type { Correction } from './correction/correction'
import type { LegStops } from './legGround'
import { linkKey } from './linkKey'
import { marginsOver, offDraws, type AskedPlace, type MarginDraws } from './map/jointDraws'

/** How far a link is copied along a leg over the leg's own ground, from the base outwards without a gap. */
export interface LegReachOnGround {
  legId: string
  legName: string
  /** By {@link linkKey}. */
  key: string
  /** Of calls from every place nearer so many come through, 0 to 1. */
  chance: number
  /** Crow-flies from the base, m: the middle, and the 5 and 95 per cent points; null beyond the leg's end. */
  estimateM: number | null
  lowM: number | null
  highM: number | null
  /** The first and the last place that the ground is known to, m. */
  nearestM: number
  farthestM: number
  /** Where it is likelier copied than not once more, beyond the first gap, m; null where nowhere. */
  againM: number | null
}

export interface LegReachAsk {
  legs: readonly LegStops[]
  links: readonly Link[]
  directions: readonly Direction[]
  correction: Correction | null
  gains?: TakenGains
  /** Of calls so many are to come through, 0 to 1. */
  reliability: number
}

/** Fewer places than this along a leg tell no reach. */
const MIN_STOPS = 4

/**
 * How far links are copied along legs, by the same draws of the prediction, corrected by the log, that the map of reach
 * is made of: in each draw as far out as every place has, in all directions that are asked, the share of calls wanted.
 * Between two places the margin is taken to be straight.
 */
export function reachOnLegs(ask: LegReachAsk): LegReachOnGround[] {
  const { links, directions, correction, reliability } = ask
  return ask.legs.flatMap(({ legId, legName, stops }) => {
    if (stops.length < MIN_STOPS || links.length === 0) return []
    const of = { places: stops, links, directions, correction, ...(ask.gains && { gains: ask.gains }) }
    const drawn = marginsOver(offDraws(of), stops, links)
    const needDb = drawn.callDb * normalQuantile(reliability)
    return links.map((link, l): LegReachOnGround => {
      const over = overNeed(drawn, links.length, l, stops.length, needDb)
      const far = over.map((row) => firstLoss(row, stops)).sort((a, b) => a - b)
      const at = (q: number) => {
        const m = sortedQuantile(far, q)
        return Number.isFinite(m) ? m : null
      }
      const estimateM = at(0.5)
      return {
        ...{ legId, legName, key: linkKey(link), chance: reliability },
        ...{ estimateM, lowM: at(0.05), highM: at(0.95) },
        nearestM: stops[0]!.distanceM,
        farthestM: stops.at(-1)!.distanceM,
        againM: estimateM === null ? null : copiedAgain(over, stops, estimateM),
      }
    })
  })
}

/** By how much the worse way of a link lies over what is needed, dB, by draw and place. */
function overNeed(
  { draws, margins, ways }: MarginDraws,
  links: number,
  link: number,
  places: number,
  needDb: number,
): number[][] {
  return Array.from({ length: draws }, (_, k) =>
    Array.from({ length: places }, (__, p) =>
      ways.reduce(
        (least, ___, w) =>
          Math.min(least, margins[((k * links + link) * ways.length + w) * places + p]! - needDb),
        Infinity,
      ),
    ),
  )
}

/** Where a margin first falls below nought, m; the first place where it is below there, infinite where it never is. */
function firstLoss(over: readonly number[], stops: readonly AskedPlace[]): number {
  const lost = over.findIndex((v) => v < 0)
  if (lost <= 0) return lost < 0 ? Infinity : stops[0]!.distanceM
  const [before, after] = [over[lost - 1]!, over[lost]!]
  const [near, far] = [stops[lost - 1]!.distanceM, stops[lost]!.distanceM]
  return near + ((far - near) * before) / (before - after)
}

/** So many neighbours, likelier copied than not, are ground regained. */
const REGAINED = 2

function copiedAgain(
  over: readonly (readonly number[])[],
  stops: readonly AskedPlace[],
  fromM: number,
): number | null {
  const likely = stops.map((_, p) => over.filter((row) => row[p]! >= 0).length > over.length / 2)
  const gap = stops.findIndex((s, p) => s.distanceM >= fromM && !likely[p])
  if (gap < 0) return null
  const again = stops.findIndex(
    (_, p) =>
      p > gap &&
      likely.slice(p, p + REGAINED).length === REGAINED &&
      likely.slice(p, p + REGAINED).every(Boolean),
  )
  return again < 0 ? null : stops[again]!.distanceM
}
