import { filled } from '@/core/stats/numeric/filled'
import type { Link } from '@/core/kit/rig/rig'
import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { quickNormalCdf } from '@/core/stats/numeric/quickNormalCdf'
import type { OneWay } from './oneWays'
import { marginsOver, offDraws, worseWay, type AskedPlace, type MarginAsk } from './jointDraws'

/** What is asked: the share of places that a link covers, or by how much one's is more than another's, each with each. */
export interface NextAsk extends Omit<MarginAsk, 'places'> {
  targets: readonly AskedPlace[]
  candidates: readonly (AskedPlace & {
    /** Minutes that a check there costs, the way included. */
    minutes: number
  })[]
  reliability: number
  /** Reports tell levels, to about this spread, dB; null where they say no more than copied or not. */
  reportDb: number | null
}

/** What a check would do. */
export interface CheckWorth {
  candidate: number
  link: Link
  direction: OneWay
  /** Of the variance of what is asked it takes away so much, 0 to 1, on average over what it may say. */
  narrows: number
  perMinute: number
}

const DRAWS = 800
const SEED = 4_711

/** What is asked in every draw: each link's share, or of each two by how much they differ; and the margins behind it. */
function drawAsked(ask: NextAsk) {
  const { targets, candidates, links, reliability } = ask
  const places = [...targets, ...candidates]
  const drawn = marginsOver(offDraws({ ...ask, places }, DRAWS), places, links)
  const { margins, ways, callDb, draws } = drawn
  const worse = worseWay(drawn, links.length, places.length)
  const needDb = callDb * normalQuantile(reliability)
  const at = (k: number, l: number, w: number, p: number) =>
    margins[((k * links.length + l) * ways.length + w) * places.length + p]!
  const shareOf = (k: number, l: number) => {
    let n = 0
    for (let p = 0; p < targets.length; p++) if (worse(k, l, p) >= needDb) n++
    return n / targets.length
  }
  const shares = links.map((_, l) => filled(draws, (k) => shareOf(k, l)))
  const asked =
    links.length === 1
      ? shares
      : shares.flatMap((a, i) => shares.slice(i + 1).map((b) => a.map((v, k) => v - b[k]!)))
  const spread = asked.reduce((s, values) => s + varianceOf(values), 0)
  return { asked, spread, at, ways, callDb, draws }
}

/** The doubt in what is asked, as a share of the places: its spread; of several the root of their mean square. */
export function doubtOf(ask: NextAsk): number {
  const { asked, spread } = drawAsked(ask)
  return Math.sqrt(spread / asked.length)
}

/**
 * What each possible check would narrow of what is asked, the most a minute first. Margins at targets and candidates
 * are drawn together; what is asked is counted in every draw, and how it hangs together with what a check there would
 * say (a level, or copied or not) tells how much the check would take of its variance.
 */
export function nextBest(ask: NextAsk): CheckWorth[] {
  const { targets, candidates, links, reportDb } = ask
  const { asked, spread, at, ways, callDb, draws } = drawAsked(ask)
  if (!(spread > 0)) return []
  const noiseDb = Math.hypot(callDb, reportDb ?? 0)
  return candidates
    .flatMap(({ minutes }, candidate) =>
      links.flatMap((link, l) =>
        ways.map((direction, w): CheckWorth => {
          const said = filled(draws, (k) => at(k, l, w, targets.length + candidate))
          const order = reportDb === null ? null : inOrderOfReading(said, noiseDb)
          const takes = asked.reduce(
            (s, values) =>
              s + Math.max(byCopies(values, said, callDb), order === null ? 0 : byLevels(values, order)),
            0,
          )
          // Chance alone makes this much of any two figures over so many draws.
          const found = takes / spread - 1 / draws
          const narrows = found > BY_CHANCE ? found : 0
          return { candidate, link, direction, narrows, perMinute: narrows / minutes }
        }),
      ),
    )
    .filter((c) => Number.isFinite(c.narrows))
    .sort((a, b) => b.perMinute - a.perMinute)
}

function varianceOf(values: Float64Array): number {
  const mean = values.reduce((s, v) => s + v, 0) / values.length
  return values.reduce((s, v) => s + (v - mean) ** 2, 0) / values.length
}

/** Draws in the order of what a level would be read as, with the noise of calls and of the scale. */
function inOrderOfReading(said: Float64Array, noiseDb: number): Uint16Array {
  const random = seededRandom(SEED)
  const read = said.map((v) => v + noiseDb * random.normal())
  return Uint16Array.from(said.keys()).sort((a, b) => read[a]! - read[b]!)
}

/** Readings that are told apart. */
const READINGS = 8
/**
 * Of any two figures that have nothing to do with one another, readings take away no more than this by chance: three
 * spreads of it. A check next to the base would be the best else, as nothing is quicker.
 */
const BY_CHANCE = (3 * Math.sqrt(2 * (READINGS - 1))) / DRAWS

/** Variance that a level takes away: that between readings, less what chance alone makes of so many. */
function byLevels(asked: Float64Array, order: Uint16Array): number {
  const n = asked.length
  const mean = asked.reduce((s, v) => s + v, 0) / n
  let [between, within] = [0, 0]
  for (let b = 0; b < READINGS; b++) {
    const [from, to] = [Math.floor((b * n) / READINGS), Math.floor(((b + 1) * n) / READINGS)]
    let [sum, squares] = [0, 0]
    for (let i = from; i < to; i++) {
      const v = asked[order[i]!]!
      sum += v
      squares += v * v
    }
    const m = sum / (to - from)
    between += (to - from) * (m - mean) ** 2
    within += squares - sum * m
  }
  return Math.max(0, between - ((READINGS - 1) * within) / (n - READINGS)) / n
}

/** Variance that a copy, had or not, takes away: that between the two answers. */
function byCopies(asked: Float64Array, said: Float64Array, callDb: number): number {
  let [p, yes, all] = [0, 0, 0]
  asked.forEach((v, k) => {
    const chance = quickNormalCdf(said[k]! / callDb)
    p += chance
    yes += chance * v
    all += v
  })
  const [no, n] = [asked.length - p, asked.length]
  if (!(p > 0 && no > 0)) return 0
  return (p / n) * (no / n) * (yes / p - (all - yes) / no) ** 2
}
