import { normalCdf } from '@/core/stats/numeric/normal'
import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import { seededRandom, type SeededRandom } from '@/core/stats/numeric/seededRandom'
import { sortedQuantile } from '@/core/stats/numeric/sortedQuantile'

/** Where one walk lost a link: heard this far out, lost by there, m; an open end is null. */
export interface EdgeWalk {
  link: string
  /** Walks of one way share its ground. */
  way: string
  heardToM: number | null
  lostByM: number | null
  /** What was put into the path on that walk, dB. */
  attenuationDb: number
}

export interface EdgeReach {
  link: string
  walks: number
  /** Median reach over ways like these, m, with its 90 % interval; an end that the walks leave open is null. */
  medianM: number
  lowM: number | null
  highM: number | null
  /** The reach to count on with the chance that was asked for on another way and walk, m. */
  surelyM: number
}

export interface EdgeRanking {
  /** The farthest first. */
  reaches: EdgeReach[]
  /** ln m by draw, in the same order: what chances are counted from. */
  draws: Float64Array[]
}

/** Weak priors of the spread of ln reach, from walk to walk and from way to way: a factor of 1.2, and of 1.3. */
const WALK_SPREAD = { median: 0.18, factor: 1.8 } as const
const WAY_SPREAD = { median: 0.26, factor: 1.8 } as const
/** How the level falls with distance where nothing better is known, dB a decade over ten. */
const SLOPE = { mean: 3.8, sd: 1, low: 2, high: 6 } as const
/** How far ln reach may lie from the middle of all that was walked. */
const REACH_SD = 2
const BURN_IN = 400
const DRAWS = 4000

/** A positive figure on a grid, with a log-normal prior. */
function spreadGrid({ median, factor }: { median: number; factor: number }) {
  const sd = Math.log(factor)
  return Array.from({ length: 17 }, (_, i) => {
    const z = (i - 8) * 0.35
    return { value: median * Math.exp(z * sd), logPrior: -0.5 * z * z }
  })
}

const SLOPES = Array.from({ length: 17 }, (_, i) => {
  const value = SLOPE.low + ((SLOPE.high - SLOPE.low) * i) / 16
  return { value, logPrior: -0.5 * ((value - SLOPE.mean) / SLOPE.sd) ** 2 }
})

/** Draws one of a grid's values by what each is worth. */
function drawn(
  grid: readonly { value: number; logPrior: number }[],
  logLikelihood: (value: number) => number,
  random: SeededRandom,
): number {
  const logs = grid.map((g) => g.logPrior + logLikelihood(g.value))
  const most = Math.max(...logs)
  const weights = logs.map((l) => Math.exp(l - most))
  let left = random.uniform() * weights.reduce((s, w) => s + w, 0)
  return grid[weights.findIndex((w) => (left -= w) <= 0)]?.value ?? grid.at(-1)!.value
}

/** A normal figure between two ends. */
function between(mean: number, sd: number, low: number, high: number, random: SeededRandom): number {
  const [a, b] = [normalCdf((low - mean) / sd), normalCdf((high - mean) / sd)]
  if (b - a < 1e-10) return mean < low ? low : mean > high ? high : (low + high) / 2
  const p = Math.min(1 - 1e-12, Math.max(1e-12, a + random.uniform() * (b - a)))
  return Math.min(high, Math.max(low, mean + sd * normalQuantile(p)))
}

/** Mean of what is left over and how much it is worth, drawn about. */
function about(sum: number, n: number, sd: number, priorMean: number, priorSd: number, random: SeededRandom) {
  const precision = n / (sd * sd) + 1 / (priorSd * priorSd)
  const mean = (sum / (sd * sd) + priorMean / (priorSd * priorSd)) / precision
  return mean + random.normal() / Math.sqrt(precision)
}

/**
 * Reaches from walks to the edge: interval-censored log-normal, ln reach = link + way + walk, the spreads from way to
 * way and from walk to walk shared by all links, an attenuator taken out by a slope that is itself in doubt. A walk
 * that was never lost says "at least", one never heard "less than". Gibbs sampling, repeatable.
 * @param chance for the reach to count on, 0 to 1
 * @returns null where no walk bounds a reach from either side
 */
export function edgeRanking(walks: readonly EdgeWalk[], chance = 0.9): EdgeRanking | null {
  const told = walks.filter((w) => (w.heardToM ?? 0) > 0 || (w.lostByM ?? 0) > 0)
  if (told.length === 0) return null
  const links = [...new Set(told.map((w) => w.link))]
  const ways = [...new Set(told.map((w) => w.way))]
  const random = seededRandom(20_261)
  const rows = told.map((w) => ({
    link: links.indexOf(w.link),
    way: ways.indexOf(w.way),
    low: w.heardToM ? Math.log(w.heardToM) : -Infinity,
    high: w.lostByM ? Math.log(w.lostByM) : Infinity,
    /** What a slope of one would take off ln reach. */
    shift: (w.attenuationDb * Math.LN10) / 10,
  }))
  const ends = rows.flatMap((r) => [r.low, r.high]).filter(Number.isFinite)
  const middle = ends.reduce((s, v) => s + v, 0) / ends.length
  const attenuated = rows.some((r) => r.shift !== 0)
  const [walkGrid, wayGrid] = [spreadGrid(WALK_SPREAD), spreadGrid(WAY_SPREAD)]
  const reach = links.map(() => middle)
  const ground = ways.map(() => 0)
  let [walkSd, waySd, slope]: [number, number, number] = [WALK_SPREAD.median, WAY_SPREAD.median, SLOPE.mean]
  const at = rows.map(() => middle)
  const draws = links.map(() => new Float64Array(DRAWS))
  const surely = links.map(() => new Float64Array(DRAWS))
  const z = normalQuantile(chance)
  for (let i = -BURN_IN; i < DRAWS; i++) {
    const mean = (r: (typeof rows)[number]) => reach[r.link]! + ground[r.way]! - r.shift / slope
    rows.forEach((r, k) => (at[k] = between(mean(r), walkSd, r.low, r.high, random)))
    links.forEach((_, l) => {
      const own = rows.flatMap((r, k) => (r.link === l ? [at[k]! - ground[r.way]! + r.shift / slope] : []))
      reach[l] = about(
        own.reduce((s, v) => s + v, 0),
        own.length,
        walkSd,
        middle,
        REACH_SD,
        random,
      )
    })
    ways.forEach((_, w) => {
      const own = rows.flatMap((r, k) => (r.way === w ? [at[k]! - reach[r.link]! + r.shift / slope] : []))
      ground[w] = about(
        own.reduce((s, v) => s + v, 0),
        own.length,
        walkSd,
        0,
        waySd,
        random,
      )
    })
    // All links up and all ways down leave every walk as it was: moved together, since one by one they hardly move.
    const precision = ways.length / waySd ** 2 + links.length / REACH_SD ** 2
    const pull =
      ground.reduce((s, g) => s + g, 0) / waySd ** 2 +
      reach.reduce((s, m) => s + middle - m, 0) / REACH_SD ** 2
    const shift = pull / precision + random.normal() / Math.sqrt(precision)
    links.forEach((_, l) => (reach[l]! += shift))
    ways.forEach((_, w) => (ground[w]! -= shift))
    const off = (s: number) =>
      rows.reduce((sum, r, k) => sum + (at[k]! - reach[r.link]! - ground[r.way]! + r.shift / s) ** 2, 0)
    if (attenuated) slope = drawn(SLOPES, (s) => -off(s) / (2 * walkSd * walkSd), random)
    const left = off(slope)
    walkSd = drawn(walkGrid, (sd) => -rows.length * Math.log(sd) - left / (2 * sd * sd), random)
    const uneven = ground.reduce((s, g) => s + g * g, 0)
    waySd = drawn(wayGrid, (sd) => -ways.length * Math.log(sd) - uneven / (2 * sd * sd), random)
    if (i >= 0)
      links.forEach((_, l) => {
        draws[l]![i] = reach[l]!
        surely[l]![i] = reach[l]! - z * Math.hypot(walkSd, waySd)
      })
  }
  const found = links.map((link, l) => {
    const own = told.filter((w) => w.link === link)
    const sorted = draws[l]!.slice().sort()
    const of = (p: number) => Math.exp(sortedQuantile(sorted, p))
    return {
      draws: draws[l]!,
      reach: {
        link,
        walks: own.length,
        medianM: of(0.5),
        lowM: own.some((w) => (w.heardToM ?? 0) > 0) ? of(0.05) : null,
        highM: own.some((w) => (w.lostByM ?? 0) > 0) ? of(0.95) : null,
        surelyM: Math.exp(sortedQuantile(surely[l]!.slice().sort(), 0.5)),
      },
    }
  })
  found.sort((a, b) => b.reach.medianM - a.reach.medianM)
  return { reaches: found.map((f) => f.reach), draws: found.map((f) => f.draws) }
}
