import { posteriorOf, termDraws } from '@/core/model/answers'
import type { Interval } from '@/core/stats/interval'
import { sortedQuantile } from '@/core/stats/numeric/sortedQuantile'
import { checksByMark, type FindingsInput, type ReadCheck } from '../input'
import { beginWithTerms } from './effects'
import { evenedDraws } from './evenedDraws'
import { unitOf, type JointFit } from './jointFit'

/** How a difference changes with lg distance (m). */
export interface Trend {
  /** For ten times the distance. */
  slope: number
  slope90: Interval<number>
  slope95: Interval<number>
  /** The difference along lg distance: its median and 90 % band. */
  band: { x: number; median: number; low: number; high: number }[]
  /** Where the two change places inside what was tested; null where that is not told. */
  crossing: { x: number; low: number; high: number } | null
  marks: number
}

/** Fewest marks for a trend, and the least that lg distance may span. */
const MIN_MARKS = 8
const MIN_SPAN = 0.15
/** A link's levels fall this much faster or slower than the others', dB a decade. */
const LINK_SLOPE_SD_DB = 7
const BAND = 25

/**
 * The log with a slope for each link of its own.
 * @returns what waits for it; null where marks are too few, or too near to one another
 */
export function beginTrend(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit,
): (() => TrendFit) | null {
  if (joint.input.onePlace || input.links.length < 2) return null
  const at = checksByMark(checks)
  const xs = new Map(
    input.marks.flatMap((m) =>
      m.distanceM > 0 && at.has(m.id) ? [[m.id, Math.log10(m.distanceM)] as const] : [],
    ),
  )
  const all = [...xs.values()]
  if (all.length < MIN_MARKS || !(Math.max(...all) - Math.min(...all) > MIN_SPAN)) return null
  const middle = all.reduce((s, x) => s + x, 0) / all.length
  const linkAt = new Map(input.links.map((l, i) => [l.id, i]))
  // Marks that the model takes for one place have one distance, so that their checks stay together.
  const { model, placeOf } = joint.input
  const lgOf = (markId: string) => {
    const place = placeOf.get(markId)
    return place === undefined ? undefined : Math.log10(model.marks[place]!.distanceM)
  }
  const sloped = beginWithTerms(input, checks, joint, {
    priors: input.links.map(() => ({ sdDb: LINK_SLOPE_SD_DB })),
    of: (c) => {
      const [link, x] = [linkAt.get(c.linkId), lgOf(c.markId)]
      return link === undefined || x === undefined ? [] : [[link, x - middle]]
    },
  })
  return () => ({ joint: sloped(), xs, middle })
}

export interface TrendFit {
  joint: JointFit
  /** lg distance (m) of each mark. */
  xs: ReadonlyMap<string, number>
  middle: number
}

/**
 * The difference between two links as a line over lg distance. A crossing is told only where the 90 % band lies on
 * one side of nought at the nearest mark and on the other at the farthest.
 * @param used marks that say something of the pair
 * @returns null where they are too few, or too near to one another
 */
export function trendOf(
  input: FindingsInput,
  { joint, xs, middle }: TrendFit,
  a: number,
  b: number,
  listeners: readonly number[],
  used: readonly string[],
): Trend | null {
  const mine = used.flatMap((m) => xs.get(m) ?? [])
  const [first, last] = [Math.min(...mine), Math.max(...mine)]
  if (mine.length < MIN_MARKS || !(last - first > MIN_SPAN)) return null
  const { fit } = joint
  const { size } = unitOf(joint, listeners)
  const level = evenedDraws(input, fit, a, b, listeners).map((v) => v / size)
  const [p, q] = [termDraws(fit, a), termDraws(fit, b)]
  const slopes = p.map((v, i) => (v - q[i]!) / size)
  const slope = posteriorOf(fit, slopes)
  const band = Array.from({ length: BAND }, (_, i) => {
    const x = first + ((last - first) * i) / (BAND - 1)
    const { q05, q50, q95 } = posteriorOf(
      fit,
      level.map((v, k) => v + slopes[k]! * (x - middle)),
    )
    return { x, median: q50, low: q05, high: q95 }
  })
  const [near, far] = [band[0]!, band[BAND - 1]!]
  const changes = (near.high < 0 && far.low > 0) || (near.low > 0 && far.high < 0)
  const zeros = Float64Array.from(level, (v, i) => middle - v / slopes[i]!).sort()
  return {
    slope: slope.q50,
    slope90: { low: slope.q05, high: slope.q95 },
    slope95: { low: slope.q025, high: slope.q975 },
    band,
    crossing: changes
      ? { x: sortedQuantile(zeros, 0.5), low: sortedQuantile(zeros, 0.05), high: sortedQuantile(zeros, 0.95) }
      : null,
    marks: mine.length,
  }
}
