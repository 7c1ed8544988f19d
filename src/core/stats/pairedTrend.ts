import { tableGroupLikelihood } from './groupLikelihood'
import { lazyTable, readBetween, type LazyTable } from './lazyTable'
import { informsDifference } from './levelCell'
import type { Interval, PairedMark } from './pairedDifference'
import { pairLikelihood } from './pairLikelihood'
import { weightedQuantiles } from './weightedQuantiles'
import { kindOfGroups, onePair, productOf, smoothed } from './spreadSettings'

/** How the difference changes with something known of the marks, such as lg distance. */
export interface PairedTrend {
  /** dB for one unit of x. */
  slope: number
  slope90: Interval
  slope95: Interval
  /** The difference along x: its median and 90 % band. */
  band: { x: number; median: number; low: number; high: number }[]
  /** Where the two change places inside what was tested; null where that is not told. */
  crossing: { x: number; low: number; high: number } | null
  marks: number
}

/** Fewest marks, and fewest different places, for a trend. */
const MIN_TREND_MARKS = 8
/** Weak prior of the slope: nought with this standard deviation, dB a unit of x. */
const PRIOR_SLOPE_SD = 15
const N_LEVEL = 41
const N_SLOPE = 41
const BAND = 25

const STEP_DB = 0.25
/** Differences farther out than this are not looked at, dB. */
const REACH_DB = 60
const N_CURVE = (2 * REACH_DB) / STEP_DB + 1

/**
 * Log likelihood of one mark's reports over differences from -REACH_DB in steps of STEP_DB, its spread known;
 * by where it is read.
 */
function curveOf(mark: PairedMark, spreadDb: number): LazyTable {
  const pair = onePair(mark.groups)
  if (pair)
    return lazyTable(-REACH_DB, STEP_DB, N_CURVE, (values, from, to) => {
      for (let i = from; i < to; i++)
        values[i] = Math.log(pairLikelihood(pair.a, pair.b, i * STEP_DB - REACH_DB, spreadDb))
    })
  // Half of the variance is the link's own at the mark, shared by directions and repeats; half is the calls'.
  const [call, own] = [spreadDb / 2, spreadDb / Math.SQRT2]
  const margin = 4 * own + 5
  const product = productOf(
    mark.groups.map((g) => tableGroupLikelihood(g, call, -REACH_DB - margin, REACH_DB + margin)),
  )
  return lazyTable(-REACH_DB, STEP_DB, N_CURVE, (values, from, to) => {
    for (let i = from; i < to; i++)
      values[i] = Math.log(Math.max(smoothed(product, i * STEP_DB - REACH_DB, own), 1e-300))
  })
}

const BINS = 600

/**
 * Quantiles of weighed values, in the order asked; ps go up. Counted into bins, within which weight is spread evenly.
 */
function quantilesOf(values: Float64Array, weights: Float64Array, ps: readonly number[]): number[] {
  const low = values.reduce((m, v) => Math.min(m, v), Infinity)
  const width = (values.reduce((m, v) => Math.max(m, v), -Infinity) - low) / BINS
  if (!(width > 0)) return ps.map(() => low)
  const bins = new Float64Array(BINS)
  let total = 0
  for (let i = 0; i < values.length; i++) {
    bins[Math.min(BINS - 1, ((values[i]! - low) / width) | 0)]! += weights[i]!
    total += weights[i]!
  }
  let [sum, k] = [0, 0]
  return ps.map((p) => {
    while (k < BINS - 1 && sum + bins[k]! < p * total) sum += bins[k++]!
    const inside = bins[k]! > 0 ? Math.max(0, Math.min(1, (p * total - sum) / bins[k]!)) : 0
    return low + (k + inside) * width
  })
}

/**
 * The difference between two links as a line over x, by the paired interval likelihood with the mark's level free, the
 * spread held at its posterior median: flat over the difference at the middle of the marks, the slope about
 * nought with a standard deviation of 15 dB. A crossing is told only where the 90 % band lies on one side of
 * nought at the nearest mark and on the other at the farthest.
 * @param marks reports already evened, dB
 * @param xs x of each mark, such as lg distance
 * @param spreadDb spread of the difference at a mark, above nought
 * @returns null below {@link MIN_TREND_MARKS} telling marks, or where all stand at one x
 */
export function pairedTrend(
  marks: readonly PairedMark[],
  xs: readonly number[],
  spreadDb: number,
): PairedTrend | null {
  const telling = marks.flatMap((mark, i) => {
    const groups = mark.groups.filter((g) => informsDifference(g.a, g.b))
    return groups.length > 0 ? [{ mark: { id: mark.id, groups }, x: xs[i]! }] : []
  })
  if (telling.length < MIN_TREND_MARKS) return null
  const [first, last] = [Math.min(...telling.map((t) => t.x)), Math.max(...telling.map((t) => t.x))]
  if (!(last - first > 0.15)) return null
  const middle = telling.reduce((s, t) => s + t.x, 0) / telling.length
  const spreadX = Math.sqrt(telling.reduce((s, t) => s + (t.x - middle) ** 2, 0) / telling.length)
  // Marks whose reports are the same share a curve.
  const made = new Map<string, LazyTable>()
  const curves = telling.map((t) => {
    const kind = kindOfGroups(t.mark.groups)
    const curve = made.get(kind) ?? curveOf(t.mark, spreadDb)
    made.set(kind, curve)
    return { curve, x: t.x - middle }
  })
  const log = (level: number, slope: number) => {
    let sum = -0.5 * (slope / PRIOR_SLOPE_SD) ** 2
    for (const { curve, x } of curves) sum += readBetween(curve, (level + slope * x + REACH_DB) / STEP_DB)
    return sum
  }
  // Grids about the mode, wide enough for either to be several errors off.
  const error = (spreadDb + 3) / Math.sqrt(telling.length)
  let [level, slope] = [0, 0]
  for (const step of [8, 4, 2, 1, 0.5])
    for (let moved = true; moved;) {
      moved = false
      for (const [dl, ds] of [
        [step, 0],
        [-step, 0],
        [0, step / spreadX],
        [0, -step / spreadX],
      ] as const)
        if (log(level + dl, slope + ds) > log(level, slope) + 1e-9) {
          level += dl
          slope += ds
          moved = true
        }
    }
  const halfLevel = 6 * error
  const halfSlope = (6 * error) / spreadX
  const top = log(level, slope)
  // From the mode outwards, since what weighs hangs together.
  const kept: [number, number, number][] = []
  const seen = new Uint8Array(N_LEVEL * N_SLOPE)
  const todo = [[(N_LEVEL - 1) / 2, (N_SLOPE - 1) / 2]]
  for (let cell = todo.pop(); cell; cell = todo.pop()) {
    const [i, k] = cell as [number, number]
    if (i < 0 || k < 0 || i >= N_LEVEL || k >= N_SLOPE || seen[i * N_SLOPE + k]) continue
    seen[i * N_SLOPE + k] = 1
    const l = level + halfLevel * ((2 * i) / (N_LEVEL - 1) - 1)
    const s = slope + halfSlope * ((2 * k) / (N_SLOPE - 1) - 1)
    const w = Math.exp(log(l, s) - top)
    if (w <= 1e-5) continue
    kept.push([l, s, w])
    todo.push([i - 1, k], [i + 1, k], [i, k - 1], [i, k + 1])
  }
  const [levels, slopes, weights] = [0, 1, 2].map((i) => Float64Array.from(kept, (c) => c[i]!)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ]
  const at = (x: number) => levels.map((l, i) => l + slopes[i]! * (x - middle))
  const band = Array.from({ length: BAND }, (_, i) => {
    const x = first + ((last - first) * i) / (BAND - 1)
    const [low, median, high] = quantilesOf(at(x), weights, [0.05, 0.5, 0.95]) as [number, number, number]
    return { x, median, low, high }
  })
  const [near, far] = [band[0]!, band[BAND - 1]!]
  const changes = (near.high < 0 && far.low > 0) || (near.low > 0 && far.high < 0)
  const [low95, low90, slope50, high90, high95] = quantilesOf(
    slopes,
    weights,
    [0.025, 0.05, 0.5, 0.95, 0.975],
  ) as [number, number, number, number, number]
  // Where lines meet nought; those of nearly level ones lie far out and would stretch bins.
  const zeros = changes
    ? kept.flatMap(([l, s, weight]) => (s === 0 ? [] : [{ value: middle - l / s, weight }]))
    : []
  const [lowZero, zero, highZero] = changes ? weightedQuantiles(zeros, [0.05, 0.5, 0.95]) : []
  return {
    slope: slope50,
    slope90: { low: low90, high: high90 },
    slope95: { low: low95, high: high95 },
    band,
    crossing: changes ? { x: zero!, low: lowZero!, high: highZero! } : null,
    marks: telling.length,
  }
}
