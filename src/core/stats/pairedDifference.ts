import { tableGroupLikelihood, type ReportGroup, type TabledLikelihood } from './groupLikelihood'
import { informsDifference, type LevelCell } from './levelCell'
import { normalPdf, normalQuantile } from './normal'
import { pairLikelihood } from './pairLikelihood'
import { chanceAbove, crossing, edgeMass, fromLog, posteriorQuantile, type GridPosterior } from './posterior'

/** One mark's reports of two links; a group for each direction. */
export interface PairedMark {
  id: string
  groups: readonly ReportGroup[]
}

/** An interval in dB; an end is null where the reports leave it open. */
export interface Interval {
  low: number | null
  high: number | null
}

export interface PairedDifference {
  method: 'paired interval likelihood, closed form' | 'paired interval likelihood, integrated'
  /** Median of the posterior, dB; null below {@link LEAST_MARKS} informative marks. */
  estimate: number | null
  /** 5 to 95 per cent points. */
  interval90: Interval
  /** 2.5 to 97.5 per cent points. */
  interval95: Interval
  /** Chance that A is better than B; null where nothing can be said. */
  chanceAIsBetter: number | null
  /** Posterior median of σd, the spread of the difference at a mark, dB. */
  spread: number | null
  marksUsed: string[]
  /** Marks with both links reported where both lie beyond the same end. */
  marksSilent: string[]
  /** The posterior itself; null where nothing can be said. */
  grid: GridPosterior | null
}

/** Below this many informative marks the answer is "cannot tell". */
export const LEAST_MARKS = 4

const PRIOR_LOG_SPREAD_MEAN = Math.log(4)
const PRIOR_LOG_SPREAD_SD = 1
/** Standard normal nodes for the mark-by-link effect, trapezoid rule to 3.2 standard deviations. */
const NODES = Array.from({ length: 17 }, (_, i) => (i - 8) * 0.4)
const NODE_WEIGHTS = NODES.map((z) => normalPdf(z) * 0.4)

/** Log likelihood over differences, the spreads integrated out; and the spread's posterior median. */
interface Integrated {
  log: Float64Array
  spread: (weights: Float64Array) => number
  /** Best log posterior of each setting of the spreads, so that hopeless ones can be passed over next time. */
  peaks: number[]
}

type LogLikelihood = (deltas: Float64Array, worthIt: (setting: number) => boolean) => Integrated

function logSum(values: number[]): number {
  const top = Math.max(...values)
  if (top === -Infinity) return top
  return top + Math.log(values.reduce((s, v) => s + Math.exp(v - top), 0))
}

function geometric(from: number, to: number, n: number): number[] {
  return Array.from({ length: n }, (_, i) => from * (to / from) ** (i / (n - 1)))
}

/** Integrates log likelihoods given at several settings of the spreads, each with its prior weight and σd. */
function integrate(
  deltas: Float64Array,
  settings: { spread: number; logPrior: number; logLikelihood: Float64Array }[],
): Integrated {
  const log = new Float64Array(deltas.length)
  for (let i = 0; i < deltas.length; i++)
    log[i] = logSum(settings.map((s) => s.logPrior + s.logLikelihood[i]!))
  return {
    log,
    peaks: settings.map((s) => s.logPrior + s.logLikelihood.reduce((m, v) => Math.max(m, v), -Infinity)),
    spread: (weights) => {
      const bySpread = settings
        .map((s) => {
          let mass = 0
          for (let i = 0; i < deltas.length; i++)
            mass += weights[i]! * Math.exp(s.logPrior + s.logLikelihood[i]! - log[i]!)
          return { spread: s.spread, mass }
        })
        .sort((x, y) => x.spread - y.spread)
      const total = bySpread.reduce((s, v) => s + v.mass, 0)
      let sum = 0
      for (const { spread, mass } of bySpread) {
        sum += mass
        if (sum >= total / 2) return spread
      }
      return bySpread[bySpread.length - 1]!.spread
    },
  }
}

const priorOfSpread = (spread: number) =>
  -0.5 * ((Math.log(spread) - PRIOR_LOG_SPREAD_MEAN) / PRIOR_LOG_SPREAD_SD) ** 2

function closedForm(pairs: { a: LevelCell; b: LevelCell }[]): LogLikelihood {
  const spreads = geometric(0.35, 40, 20)
  return (deltas, worthIt) =>
    integrate(
      deltas,
      spreads
        .filter((_, i) => worthIt(i))
        .map((spread) => {
          const logLikelihood = new Float64Array(deltas.length)
          for (const { a, b } of pairs)
            for (let i = 0; i < deltas.length; i++)
              logLikelihood[i]! += Math.log(pairLikelihood(a, b, deltas[i]!, spread))
          return { spread, logPrior: priorOfSpread(spread), logLikelihood }
        }),
    )
}

function integrated(marks: readonly PairedMark[], reachDb: number): LogLikelihood {
  const errors = geometric(0.4, 16, 9)
  const effects = geometric(0.4, 24, 9)
  const tables: TabledLikelihood[][] = errors.map((error) =>
    marks.map(({ groups }) => {
      const [first, ...rest] = groups.map((g) => tableGroupLikelihood(g, error, -reachDb - 40, reachDb + 40))
      for (const other of rest)
        for (let i = 0; i < first!.values.length; i++) first!.values[i]! *= other.values[i]!
      return first!
    }),
  )
  return (deltas, worthIt) => {
    const settings = errors.flatMap((error, e) =>
      effects
        .filter((_, i) => worthIt(e * effects.length + i))
        .map((effect) => {
          const logLikelihood = new Float64Array(deltas.length)
          for (const table of tables[e]!)
            for (let i = 0; i < deltas.length; i++)
              logLikelihood[i]! += Math.log(Math.max(smoothed(table, deltas[i]!, effect), 1e-300))
          const spread = Math.hypot(effect, Math.SQRT2 * error)
          const share = (effect * effect) / (spread * spread)
          // σd log-normal, share of the mark-by-link effect even on 0..1; ρ(1-ρ) is the Jacobian to (ln σe, ln τ).
          const logPrior = priorOfSpread(spread) + Math.log(share * (1 - share))
          return { spread, logPrior, logLikelihood }
        }),
    )
    return integrate(deltas, settings)
  }
}

/** A table averaged over the mark-by-link effect, N(0, effect²), read by linear interpolation. */
function smoothed(table: TabledLikelihood, delta: number, effect: number): number {
  const { values, startDb, stepDb } = table
  const last = values.length - 1.0001
  const centre = (delta - startDb) / stepDb
  const scale = effect / stepDb
  let sum = 0
  for (let k = 0; k < NODES.length; k++) {
    let x = centre + scale * NODES[k]!
    if (x < 0) x = 0
    else if (x > last) x = last
    const i = x | 0
    const v = values[i]!
    sum += NODE_WEIGHTS[k]! * (v + (x - i) * (values[i + 1]! - v))
  }
  return sum
}

function evenGrid(from: number, to: number, n: number): Float64Array {
  return Float64Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1))
}

function posteriorOn(
  likelihood: LogLikelihood,
  from: number,
  to: number,
  n: number,
  worthIt: (setting: number) => boolean = () => true,
) {
  const deltas = evenGrid(from, to, n)
  const { log, spread, peaks } = likelihood(deltas, worthIt)
  const grid = fromLog(from, (to - from) / (n - 1), log)
  return { grid, spread: spread(grid.density), peaks }
}

function support(grid: GridPosterior): [number, number] {
  const { density, startDb, stepDb } = grid
  let first = density.findIndex((v) => v > 1e-5)
  let last = density.length - 1
  while (last > first && density[last]! <= 1e-5) last--
  first = Math.max(0, first - 1)
  last = Math.min(density.length - 1, last + 1)
  return [startDb + first * stepDb, startDb + last * stepDb]
}

/**
 * The difference between two links, A - B in dB, from reports that are intervals, with marks as the units.
 *
 * Model: level = s(mark, direction) + link + u(mark, link) + e(report); s flat, u shared by repeats and
 * directions, ln σd ~ N(ln 4, 1) with σd² = var(uA - uB) + 2 var(e), δ flat. With one report of each link at
 * every mark this is the closed form. Source: the plan's statistics, "the difference between two links".
 * @param marks reports already evened, dB; marks where both links are beyond the same end are counted apart
 */
export function pairedDifference(marks: readonly PairedMark[]): PairedDifference {
  const telling: PairedMark[] = []
  const silent: string[] = []
  for (const mark of marks) {
    const groups = mark.groups.filter((g) => informsDifference(g.a, g.b))
    if (groups.length > 0) telling.push({ id: mark.id, groups })
    else if (mark.groups.some((g) => g.a.length > 0 && g.b.length > 0)) silent.push(mark.id)
  }
  const pairs = telling.flatMap(({ groups }) =>
    groups.length === 1 && groups[0]!.a.length === 1 && groups[0]!.b.length === 1
      ? [{ a: groups[0]!.a[0]!, b: groups[0]!.b[0]! }]
      : [],
  )
  const closed = pairs.length === telling.length
  const result: PairedDifference = {
    method: closed ? 'paired interval likelihood, closed form' : 'paired interval likelihood, integrated',
    estimate: null,
    interval90: { low: null, high: null },
    interval95: { low: null, high: null },
    chanceAIsBetter: null,
    spread: null,
    marksUsed: telling.map((m) => m.id),
    marksSilent: silent,
    grid: null,
  }
  if (telling.length < LEAST_MARKS) return result

  const reachDb = Math.min(120, 30 + largestGap(telling))
  const likelihood = closed ? closedForm(pairs) : integrated(telling, reachDb)
  const coarse = posteriorOn(likelihood, -reachDb, reachDb, Math.ceil(reachDb) + 1)
  const open = edgeMass(coarse.grid)
  const [from, to] = support(coarse.grid)
  const best = Math.max(...coarse.peaks)
  const fine = posteriorOn(
    likelihood,
    from,
    to,
    121,
    (i) => coarse.peaks[i]! > best - 10 - 2 * telling.length,
  )
  const lowOpen = open.low > 0.005
  const highOpen = open.high > 0.005
  // Where one end is open the posterior is no distribution, so the other end is where the likelihood ratio falls off.
  const interval = (tail: number): Interval => {
    const fall = Math.exp(-0.5 * normalQuantile(1 - tail) ** 2)
    return {
      low: lowOpen ? null : highOpen ? crossing(fine.grid, fall, 'low') : posteriorQuantile(fine.grid, tail),
      high: highOpen
        ? null
        : lowOpen
          ? crossing(fine.grid, fall, 'high')
          : posteriorQuantile(fine.grid, 1 - tail),
    }
  }
  return {
    ...result,
    estimate: lowOpen || highOpen ? null : posteriorQuantile(fine.grid, 0.5),
    interval90: interval(0.05),
    interval95: interval(0.025),
    chanceAIsBetter: chanceAbove(fine.grid, 0),
    spread: fine.spread,
    grid: fine.grid,
  }
}

/** The same difference with a known advantage of A taken out. @param knownDb dB */
export function shiftDifference(d: PairedDifference, knownDb: number): PairedDifference {
  if (knownDb === 0) return d
  const move = (v: number | null) => (v === null ? null : v - knownDb)
  const moveBoth = (i: Interval): Interval => ({ low: move(i.low), high: move(i.high) })
  const grid = d.grid && { ...d.grid, startDb: d.grid.startDb - knownDb }
  return {
    ...d,
    grid,
    estimate: move(d.estimate),
    interval90: moveBoth(d.interval90),
    interval95: moveBoth(d.interval95),
    chanceAIsBetter: grid && chanceAbove(grid, 0),
  }
}

function largestGap(marks: readonly PairedMark[]): number {
  let gap = 0
  for (const { groups } of marks)
    for (const { a, b } of groups)
      for (const x of a)
        for (const y of b) {
          if (Number.isFinite(x.upper) && Number.isFinite(y.lower))
            gap = Math.max(gap, Math.abs(x.upper - y.lower))
          if (Number.isFinite(x.lower) && Number.isFinite(y.upper))
            gap = Math.max(gap, Math.abs(x.lower - y.upper))
        }
  return gap
}
