import { lagrangeCubic } from './lagrangeCubic'
import { evenGrid, fromLog, type GridPosterior } from './posterior'
import { weightedQuantiles } from './weightedQuantiles'
import type { SpreadSetting } from './spreadSettings'

/** First places about where the difference lies, dB from there, and the steps outwards from them. */
const FIRST_DB = [-8, -4, -2, 0, 2, 4, 8]
const OUTWARDS_DB = 8
/** What is this far below the highest, log units, weighs nothing. */
const NOTHING = 16
/** A cubic that misses by this much at the top, log units, is not believed; farther down more is borne. */
const OFF = 0.03
/** Places are not put closer than this, dB. */
const CLOSEST_DB = 0.04

/** One difference at which the posterior was worked out. */
interface Place {
  at: number
  /** Log likelihood and prior, by setting. */
  logs: Float64Array
  /** Logarithm of all settings together. */
  height: number
}

/** A posterior that was worked out at few places, to be read on whatever grid is wanted. */
export interface AdaptivePosterior {
  /** How many places. */
  places: number
  /** The settings together, on an even grid of n points. */
  on: (fromDb: number, toDb: number, n: number) => GridPosterior
  /** Posterior median of σd, dB, by a grid that covers what weighs. */
  spreadOver: (grid: GridPosterior) => number
}

/** The cubic through four places that are next to each other: reads a value of theirs at x. */
interface Cubic {
  first: number
  weights: readonly [number, number, number, number]
}

/** The cubic at x through the two places on either side of it; null beyond the outermost. */
function cubicAt(places: readonly Place[], x: number): Cubic | null {
  const last = places.length - 1
  if (x < places[0]!.at - 1e-9 || x > places[last]!.at + 1e-9) return null
  let right = 1
  while (right < last && places[right]!.at < x) right++
  const first = Math.max(0, Math.min(last - 3, right - 2))
  const at = [0, 1, 2, 3].map((i) => places[first + i]!.at) as [number, number, number, number]
  return { first, weights: lagrangeCubic(at, x) }
}

/**
 * The posterior of a difference, worked out outwards from about where it lies until nothing weighs any more,
 * since chances of reports that are intervals have one top only; then halfway between any two places where
 * the cubic through their neighbours misses what is found there. Its logarithm is smooth, and read from those cubics.
 * @param nearDb about where the difference lies
 */
export function adaptivePosterior(
  settings: readonly SpreadSetting[],
  fromDb: number,
  toDb: number,
  nearDb: number,
): AdaptivePosterior {
  const inside = (v: number) => Math.max(fromDb, Math.min(toDb, v))
  let top = -Infinity
  const workOut = (at: readonly number[]): Place[] => {
    const deltas = Float64Array.from(at)
    const bySetting = settings.map((s) => s.logLikelihood(deltas))
    return at.map((place, i) => {
      const logs = Float64Array.from(settings, (s, j) => bySetting[j]![i]! + s.logPrior)
      const highest = logs.reduce((m, v) => Math.max(m, v), -Infinity)
      const height = highest + Math.log(logs.reduce((sum, v) => sum + Math.exp(v - highest), 0))
      top = Math.max(top, height)
      return { at: place, logs, height }
    })
  }
  let places = workOut([...new Set(FIRST_DB.map((d) => inside(nearDb + d)))])
  while (places[0]!.height > top - NOTHING && places[0]!.at > fromDb)
    places.unshift(...workOut([inside(places[0]!.at - OUTWARDS_DB)]))
  for (let end = places.at(-1)!; end.height > top - NOTHING && end.at < toDb; end = places.at(-1)!)
    places.push(...workOut([inside(end.at + OUTWARDS_DB)]))

  const heightAt = (x: number) => {
    const cubic = cubicAt(places, x)
    return cubic
      ? cubic.weights.reduce((sum, w, i) => sum + w * places[cubic.first + i]!.height, 0)
      : -Infinity
  }
  let doubtful = places.slice(1).map((b, i): [Place, Place] => [places[i]!, b])
  for (;;) {
    doubtful = doubtful.filter(
      ([a, b]) => Math.max(a.height, b.height) > top - NOTHING && b.at - a.at > CLOSEST_DB,
    )
    if (doubtful.length === 0) break
    const foretold = doubtful.map(([a, b]) => heightAt((a.at + b.at) / 2))
    const found = workOut(doubtful.map(([a, b]) => (a.at + b.at) / 2))
    places = [...places, ...found].sort((a, b) => a.at - b.at)
    doubtful = doubtful.flatMap(([a, b], i): [Place, Place][] => {
      const middle = found[i]!
      const borne = OFF * Math.exp(Math.max(0, top - Math.max(a.height, b.height, middle.height) - 2) / 2)
      const believed = Math.abs(middle.height - foretold[i]!) < borne
      return believed
        ? []
        : [
            [a, middle],
            [middle, b],
          ]
    })
  }

  return {
    places: places.length,
    on: (from, to, n) => fromLog(from, (to - from) / (n - 1), evenGrid(from, to, n).map(heightAt)),
    spreadOver: (grid) => {
      const weights = weightsOf(places, grid)
      const masses = settings.map((s, j) => ({
        value: s.spread,
        weight: places.reduce((sum, p, k) => sum + weights[k]! * Math.exp(p.logs[j]! - p.height), 0),
      }))
      return weightedQuantiles(masses, [0.5])[0]!
    },
  }
}

/** How much of a posterior stands for each place, shares of it going over in a straight line from one to the next. */
function weightsOf(places: readonly Place[], { density, startDb, stepDb }: GridPosterior): number[] {
  const weights = places.map(() => 0)
  let right = 1
  density.forEach((d, i) => {
    const x = startDb + i * stepDb
    while (right < places.length - 1 && places[right]!.at < x) right++
    const [a, b] = [places[right - 1]!.at, places[right]!.at]
    const t = Math.max(0, Math.min(1, (x - a) / (b - a)))
    weights[right - 1]! += d * (1 - t)
    weights[right]! += d * t
  })
  return weights
}
