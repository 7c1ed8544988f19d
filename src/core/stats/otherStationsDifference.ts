import { informsDifference, type LevelCell } from './levelCell'
import { pairLikelihood } from './pairLikelihood'
import { ALLOWANCE, MIN_MARKS, type Interval } from './pairedDifference'
import { chanceAbove, posteriorQuantile, widened } from './posterior'
import { posteriorOn } from './posteriorOn'
import { closedForm, likelySettings } from './spreadSettings'

/** One stranger's reports of two links, read by each step that the stranger's meter may have. */
export type OtherStationsPair = readonly { a: LevelCell; b: LevelCell }[]

export interface OtherStationsDifference {
  estimate: number
  interval90: Interval
  interval95: Interval
  chanceAIsBetter: number
  stations: number
}

const REACH_DB = 60

/**
 * The difference between two links from other stations' reports, A - B in dB: the paired interval likelihood
 * with each station as a mark, its meter's step integrated over for that station by itself.
 * @param stations each with the same reports read by every step in turn
 * @returns null below four stations that tell anything
 */
export function otherStationsDifference(
  stations: readonly OtherStationsPair[],
): OtherStationsDifference | null {
  const telling = stations.filter((s) => s.some(({ a, b }) => informsDifference([a], [b])))
  if (telling.length < MIN_MARKS) return null
  const settings = closedForm([]).map((setting) => ({
    ...setting,
    logLikelihood: (deltas: Float64Array) =>
      deltas.map((delta) =>
        telling.reduce((sum, readings) => {
          const chance = readings.reduce((s, { a, b }) => s + pairLikelihood(a, b, delta, setting.spread), 0)
          return sum + Math.log(chance / readings.length)
        }, 0),
      ),
  }))
  const exact = posteriorOn(likelySettings(settings, REACH_DB).likely, -REACH_DB, REACH_DB, 481)
  const grid = widened(exact.grid, ALLOWANCE)
  const q = (p: number) => posteriorQuantile(grid, p)
  return {
    estimate: q(0.5),
    interval90: { low: q(0.05), high: q(0.95) },
    interval95: { low: q(0.025), high: q(0.975) },
    chanceAIsBetter: chanceAbove(grid, 0),
    stations: telling.length,
  }
}
