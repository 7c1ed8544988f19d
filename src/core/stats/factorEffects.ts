import type { LevelCell } from './levelCell'
import { normalCdf, normalQuantile } from './normal'
import type { Interval } from './pairedDifference'
import { seededRandom, type SeededRandom } from './seededRandom'
import { sortedQuantile } from './sortedQuantile'

/** One report with what was set for it. */
export interface FactorReport {
  /** The mark: reports of different marks share nothing but the effects. */
  mark: string
  /** What has a level of its own at the mark: a direction, in a run. */
  block: string
  /** What has an effect of its own at the mark: the link. */
  own: string
  /** The design: what was set, a column for each effect. */
  x: readonly number[]
  cell: LevelCell
}

export interface FactorEffect {
  /** Median of the posterior, dB for one unit of the column. */
  estimate: number
  interval90: Interval
  interval95: Interval
  chanceAboveNought: number
}

export interface FactorEffects {
  effects: FactorEffect[]
  /** Draws of all effects, one after the other. */
  draws: number[][]
  marks: number
  /** Posterior medians, dB. */
  callDb: number
  ownDb: number
}

const SWEEPS = 1600
const FIRST = 250
/** A mark's own level is free: normal about nought with this variance after its mean is taken off. */
const FREE_LEVEL = 1e4
const FREE_EFFECT_SD = 40
const PRIOR_LOG_SPREAD = Math.log(4)

/**
 * One mark's reports with the sums that stay as they are. What they share is its owns' effects first and then
 * its blocks' levels: `sharing` counts how many reports share each two of them, `design` sums the columns of
 * x over each.
 */
interface Cluster {
  reports: { x: readonly number[]; cell: LevelCell; own: number; block: number }[]
  owns: number
  shared: number
  sharing: Float64Array
  design: Float64Array
  y: Float64Array
  mean: number
}

const startOf = ({ lower, upper }: LevelCell) => {
  if (!Number.isFinite(lower)) return upper - 2
  return Number.isFinite(upper) ? (lower + upper) / 2 : lower + 2
}

function clusterOf(told: readonly FactorReport[], columns: number): Cluster {
  const blocks = [...new Set(told.map((r) => r.block))]
  const owns = [...new Set(told.map((r) => r.own))]
  const shared = owns.length + blocks.length
  const reports = told.map((r) => ({
    x: r.x,
    cell: r.cell,
    own: owns.indexOf(r.own),
    block: owns.length + blocks.indexOf(r.block),
  }))
  const sharing = new Float64Array(shared * shared)
  const design = new Float64Array(shared * columns)
  for (const { own, block, x } of reports)
    for (const i of [own, block]) {
      sharing[i * shared + own]! += 1
      sharing[i * shared + block]! += 1
      for (let j = 0; j < columns; j++) design[i * columns + j]! += x[j]!
    }
  const y = Float64Array.from(told, (r) => startOf(r.cell))
  const mean = y.reduce((sum, v) => sum + v, 0) / y.length
  return { reports, owns: owns.length, shared, sharing, design, y, mean }
}

function clustersOf(reports: readonly FactorReport[], columns: number): Cluster[] {
  const marks = new Map<string, FactorReport[]>()
  for (const r of reports) {
    const list = marks.get(r.mark)
    if (list) list.push(r)
    else marks.set(r.mark, [r])
  }
  return [...marks.values()].flatMap((here) => {
    // A block where all reports are open at one end, or with one report only, leaves every effect free.
    const told = here.filter((r) => {
      const block = here.filter((o) => o.block === r.block)
      return (
        block.length > 1 &&
        block.some((o) => Number.isFinite(o.cell.lower)) &&
        block.some((o) => Number.isFinite(o.cell.upper))
      )
    })
    return told.length === 0 ? [] : [clusterOf(told, columns)]
  })
}

/** Lower factor L of a matrix in place: L L' = A. */
function factored(a: Float64Array, n: number): Float64Array {
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let v = a[i * n + j]!
      for (let k = 0; k < j; k++) v -= a[i * n + k]! * a[j * n + k]!
      a[i * n + j] = i === j ? Math.sqrt(Math.max(v, 1e-12)) : v / a[j * n + j]!
    }
  return a
}

/** Factor of how well what a mark shares is known, in units of 1/σe²: counts of sharing, and its priors. */
function factorOf(c: Cluster, callDb: number, ownDb: number): Float64Array {
  const m = c.sharing.slice()
  const call = callDb * callDb
  for (let i = 0; i < c.shared; i++) m[i * c.shared + i]! += call / (i < c.owns ? ownDb * ownDb : FREE_LEVEL)
  return factored(m, c.shared)
}

/** Solves L z = r in place. */
function forwards(l: Float64Array, r: Float64Array): void {
  const n = r.length
  for (let i = 0; i < n; i++) {
    let v = r[i]!
    for (let k = 0; k < i; k++) v -= l[i * n + k]! * r[k]!
    r[i] = v / l[i * n + i]!
  }
}

/** Solves L' z = r in place. */
function backwards(l: Float64Array, r: Float64Array): void {
  const n = r.length
  for (let i = n - 1; i >= 0; i--) {
    let v = r[i]!
    for (let k = i + 1; k < n; k++) v -= l[k * n + i]! * r[k]!
    r[i] = v / l[i * n + i]!
  }
}

/** Sums of something of each report over what they share. */
function overShared(c: Cluster, of: (i: number) => number): Float64Array {
  const sums = new Float64Array(c.shared)
  c.reports.forEach((q, i) => {
    const v = of(i)
    sums[q.own]! += v
    sums[q.block]! += v
  })
  return sums
}

/** Beyond this many standard deviations the tail is an exponential's for all that can be seen. */
const FAR_TAIL = 6

/** A normal value between two ends. */
function between(mean: number, sd: number, lower: number, upper: number, random: SeededRandom): number {
  const [a, b] = [(lower - mean) / sd, (upper - mean) / sd]
  if (a > FAR_TAIL) return mean + sd * (a + farTail(a, b - a, random))
  if (b < -FAR_TAIL) return mean + sd * (b - farTail(-b, b - a, random))
  const [pa, pb] = [normalCdf(a), normalCdf(b)]
  return mean + sd * normalQuantile(Math.min(1 - 1e-15, Math.max(1e-15, pa + (pb - pa) * random.uniform())))
}

/** Distance beyond an end that lies `from` out, at most `width`. */
function farTail(from: number, width: number, random: SeededRandom): number {
  return -Math.log(1 - random.uniform() * (1 - Math.exp(-from * width))) / from
}

/** A level given its report: inside the step, or below or above an edge that is itself soft. */
function levelGiven(cell: LevelCell, mean: number, sd: number, random: SeededRandom): number {
  const bounded = Number.isFinite(cell.lower) && Number.isFinite(cell.upper)
  if (bounded || cell.softDb === 0) return between(mean, sd, cell.lower, cell.upper, random)
  const soft = cell.softDb * cell.softDb
  const [all, own] = [sd * sd + soft, sd * sd]
  const seen = between(mean, Math.sqrt(all), cell.lower, cell.upper, random)
  return mean + ((seen - mean) * own) / all + Math.sqrt((own * soft) / all) * random.normal()
}

/**
 * Effects of what was set on the level, within marks: level = s(mark, block) + x·β + u(mark, own) +
 * e(report), s free, so that neither distance nor ground nor the day can be taken for an effect; u and e
 * normal with ln σd ~ N(ln 4, 1) of a difference and the share of u even on 0 to 1, as in the paired
 * likelihood; β normal with 40 dB. Reports are intervals: levels are drawn inside them (Tanner and Wong
 * 1987), effects jointly with the marks' levels and the links' own effects integrated out, the spreads by a
 * random walk (Metropolis within Gibbs). Seeded, so that the same log gives the same draws.
 * @param reports evened, dB
 * @param columns number of columns of x
 * @returns null below four marks that tell anything
 */
export function factorEffects(
  reports: readonly FactorReport[],
  columns: number,
  seed = 1,
): FactorEffects | null {
  const clusters = clustersOf(reports, columns)
  if (clusters.length < 4 || columns === 0) return null
  const random = seededRandom(seed)
  let [callDb, ownDb] = [2.5, 2.5]
  let beta = new Float64Array(columns)
  const crossed = new Float64Array(columns * columns)
  for (const c of clusters)
    for (const { x } of c.reports)
      for (let j = 0; j < columns; j++)
        for (let m = 0; m < columns; m++) crossed[j * columns + m]! += x[j]! * x[m]!
  const draws: number[][] = []
  const spreads: [number, number][] = []
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    const factors = clusters.map((c) => factorOf(c, callDb, ownDb))
    beta = drawEffects(clusters, factors, crossed, columns, callDb, random)
    let [errors, nErrors, owns, nOwns] = [0, 0, 0, 0]
    clusters.forEach((c, k) => {
      const n = c.reports.length
      const fixed = c.reports.map((r) => r.x.reduce((s, v, j) => s + v * beta[j]!, 0))
      // What is shared, given the levels and the effects: its mean, and a draw about it.
      const shared = overShared(c, (i) => c.y[i]! - c.mean - fixed[i]!)
      forwards(factors[k]!, shared)
      for (let i = 0; i < shared.length; i++) shared[i]! += callDb * random.normal()
      backwards(factors[k]!, shared)
      for (let i = 0; i < n; i++) {
        const q = c.reports[i]!
        const middle = c.mean + fixed[i]! + shared[q.block]! + shared[q.own]!
        c.y[i] = levelGiven(q.cell, middle, callDb, random)
        errors += (c.y[i]! - middle) ** 2
      }
      nErrors += n
      for (let i = 0; i < c.owns; i++) owns += shared[i]! * shared[i]!
      nOwns += c.owns
    })
    const density = (call: number, own: number) => {
      const spread = Math.sqrt(2 * call * call + 2 * own * own)
      const share = (2 * own * own) / (spread * spread)
      return (
        -nErrors * Math.log(call) -
        errors / (2 * call * call) -
        nOwns * Math.log(own) -
        owns / (2 * own * own) -
        0.5 * (Math.log(spread) - PRIOR_LOG_SPREAD) ** 2 +
        Math.log(share * (1 - share))
      )
    }
    for (let t = 0; t < 3; t++) {
      const call = callDb * Math.exp(0.12 * random.normal())
      const own = ownDb * Math.exp(0.25 * random.normal())
      if (Math.log(random.uniform()) < density(call, own) - density(callDb, ownDb) && call > 0.2 && own > 0.1)
        [callDb, ownDb] = [call, own]
    }
    if (sweep >= FIRST) {
      draws.push([...beta])
      spreads.push([callDb, ownDb])
    }
  }
  const median = (list: number[]) =>
    sortedQuantile(
      list.sort((a, b) => a - b),
      0.5,
    )
  return {
    effects: Array.from({ length: columns }, (_, j) => effectOf(draws.map((d) => d[j]!))),
    draws,
    marks: clusters.length,
    callDb: median(spreads.map((v) => v[0])),
    ownDb: median(spreads.map((v) => v[1])),
  }
}

/** What draws of one figure say of it. */
export function effectOf(draws: readonly number[]): FactorEffect {
  const sorted = [...draws].sort((a, b) => a - b)
  const q = (p: number) => sortedQuantile(sorted, p)
  return {
    estimate: q(0.5),
    interval90: { low: q(0.05), high: q(0.95) },
    interval95: { low: q(0.025), high: q(0.975) },
    chanceAboveNought: sorted.filter((v) => v > 0).length / sorted.length,
  }
}

/**
 * A draw of the effects, all that marks share integrated out: V⁻¹ = (I - U M⁻¹ U')/σe² with M as {@link
 * factorOf} has it.
 */
function drawEffects(
  clusters: readonly Cluster[],
  factors: readonly Float64Array[],
  crossed: Float64Array,
  columns: number,
  callDb: number,
  random: SeededRandom,
): Float64Array<ArrayBuffer> {
  const p = columns
  const a = crossed.slice()
  const b = new Float64Array(p)
  const column = (c: Cluster, j: number) =>
    Float64Array.from({ length: c.shared }, (_, i) => c.design[i * p + j]!)
  clusters.forEach((c, k) => {
    c.reports.forEach((q, i) => {
      for (let j = 0; j < p; j++) b[j]! += q.x[j]! * (c.y[i]! - c.mean)
    })
    const z = overShared(c, (i) => c.y[i]! - c.mean)
    forwards(factors[k]!, z)
    const cols = Array.from({ length: p }, (_, j) => {
      const col = column(c, j)
      forwards(factors[k]!, col)
      return col
    })
    for (let j = 0; j < p; j++) {
      for (let i = 0; i < z.length; i++) b[j]! -= cols[j]![i]! * z[i]!
      for (let m = 0; m <= j; m++) {
        let sum = 0
        for (let i = 0; i < z.length; i++) sum += cols[j]![i]! * cols[m]![i]!
        a[j * p + m]! -= sum
      }
    }
  })
  const call = callDb * callDb
  for (let j = 0; j < p; j++) a[j * p + j]! += call / (FREE_EFFECT_SD * FREE_EFFECT_SD)
  // All in units of 1/σe²: the mean solves A m = b, and a draw adds σe L'⁻¹ z.
  factored(a, p)
  forwards(a, b)
  for (let j = 0; j < p; j++) b[j]! += callDb * random.normal()
  backwards(a, b)
  return b
}
