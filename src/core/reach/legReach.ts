import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import type { LegStops } from './legGround'
import { linkKey } from './linkKey'
import { marginsOver, offDraws, worseWay, type AskedPlace, type MarginAsk } from './map/jointDraws'

/** How far a link is copied along a leg over the leg's own ground, from the base outwards without a gap. */
export interface LegReachOnGround {
  legId: string
  legName: string
  /** By {@link linkKey}. */
  key: string
  /** Of calls from every place nearer so many come through, 0 to 1. */
  chance: number
  /** Crow-flies from the base, m: as far as a place is likelier covered than not, and as it is in 95 and in 5 of 100. */
  estimateM: number | null
  lowM: number | null
  highM: number | null
  /** The first and the last place that the ground is known to, m. */
  nearestM: number
  farthestM: number
  /** Where it is likelier copied than not once more, beyond the first gap, m; null where nowhere. */
  againM: number | null
}

export interface LegReachAsk extends Omit<MarginAsk, 'places'> {
  legs: readonly LegStops[]
  /** Of calls so many are to come through, 0 to 1. */
  reliability: number
}

/** Fewer places than this along a leg tell no reach. */
const MIN_STOPS = 4
/** Between two places the chance is looked at in so many steps. */
const FINER = 8
/** So much of the leg, likelier copied than not, is ground regained, m. */
const REGAINED_M = 150

/**
 * How far links are copied along legs, by the same draws of the prediction, corrected by the log, that the map of reach
 * is made of: as far out as every place is likelier covered than not, which is where all directions that are asked
 * have the share of calls wanted; and as far as that is so in 95 and in 5 of 100 draws. Between two places the margin
 * is taken to be straight.
 */
export function reachOnLegs(ask: LegReachAsk): LegReachOnGround[] {
  const { links, reliability } = ask
  return ask.legs.flatMap(({ legId, legName, stops }) => {
    if (stops.length < MIN_STOPS || links.length === 0) return []
    const drawn = marginsOver(offDraws({ ...ask, places: stops }), stops, links)
    const needDb = drawn.callDb * normalQuantile(reliability)
    const worse = worseWay(drawn, links.length, stops.length)
    return links.map((link, l): LegReachOnGround => {
      const over = Array.from({ length: drawn.draws }, (_, k) =>
        stops.map((__, p) => worse(k, l, p) - needDb),
      )
      const chances = chancesAlong(over, stops)
      const estimateM = firstBelow(chances, 0.5)
      return {
        ...{ legId, legName, key: linkKey(link), chance: reliability },
        ...{ estimateM, lowM: firstBelow(chances, 0.95), highM: firstBelow(chances, 0.05) },
        nearestM: stops[0]!.distanceM,
        farthestM: stops.at(-1)!.distanceM,
        againM: estimateM === null ? null : copiedAgain(chances, estimateM),
      }
    })
  })
}

/** How surely a place is covered. */
interface ChanceAlong {
  distanceM: number
  chance: number
}

/**
 * That of places along the leg, those between two stops with the margins between.
 * @param over by how much a link lies over what is needed, dB, by draw and stop
 */
function chancesAlong(over: readonly (readonly number[])[], stops: readonly AskedPlace[]): ChanceAlong[] {
  const at = (p: number, t: number): ChanceAlong => {
    const covered = over.filter((row) => (t === 0 ? row[p]! : row[p]! + t * (row[p + 1]! - row[p]!)) >= 0)
    const from = stops[p]!.distanceM
    return {
      distanceM: t === 0 ? from : from + t * (stops[p + 1]!.distanceM - from),
      chance: covered.length / over.length,
    }
  }
  const between = Array.from({ length: stops.length - 1 }, (_, p) =>
    Array.from({ length: FINER }, (__, i) => at(p, i / FINER)),
  )
  return [...between.flat(), at(stops.length - 1, 0)]
}

/** How far out the chance first falls below a level, m; null where it never does. */
function firstBelow(along: readonly ChanceAlong[], level: number): number | null {
  const i = along.findIndex((a) => a.chance < level)
  if (i < 0) return null
  const [before, after] = [along[i - 1], along[i]!]
  if (!before) return after.distanceM
  const share = (before.chance - level) / (before.chance - after.chance)
  return before.distanceM + share * (after.distanceM - before.distanceM)
}

function copiedAgain(along: readonly ChanceAlong[], fromM: number): number | null {
  let beginsM: number | null = null
  for (const { distanceM, chance } of along) {
    if (distanceM < fromM || chance < 0.5) beginsM = null
    else beginsM ??= distanceM
    if (beginsM !== null && beginsM > fromM && distanceM - beginsM >= REGAINED_M) return beginsM
  }
  return null
}
