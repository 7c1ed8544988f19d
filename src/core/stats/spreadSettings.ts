import { countedBy } from './countedBy'
import { tableGroupLikelihood, type ReportGroup } from './groupLikelihood'
import { lagrangeCubic } from './lagrangeCubic'
import { lazyTable, readBetween, STRETCH, type LazyTable } from './lazyTable'
import type { LevelCell } from './levelCell'
import { normalPdf } from './normal'
import { pairLikelihood } from './pairLikelihood'
import { evenGrid } from './posterior'

/** One setting of the spreads: its σd, its prior weight, and the log likelihood of differences under it. */
export interface SpreadSetting {
  spread: number
  logPrior: number
  /** Its neighbours on the grid of settings, by index. */
  beside: number[]
  logLikelihood: (deltas: Float64Array) => Float64Array
}

const PRIOR_LOG_SPREAD_MEAN = Math.log(4)
const PRIOR_LOG_SPREAD_SD = 1
/** Standard normal nodes for the mark-by-link effect, trapezoid rule to 3 standard deviations. */
const NODES = Array.from({ length: 13 }, (_, i) => (i - 6) * 0.5)
const NODE_WEIGHTS = NODES.map((z) => normalPdf(z) * 0.5)
/** Settings this far below the best one, log units, weigh nothing. */
const HOPELESS = 8

/** The reports of a mark with one of each link and no more; else null. */
export function onePair(groups: readonly ReportGroup[]): { a: LevelCell; b: LevelCell } | null {
  const [only] = groups
  if (groups.length !== 1 || only!.a.length !== 1 || only!.b.length !== 1) return null
  return { a: only!.a[0]!, b: only!.b[0]! }
}

const priorOfSpread = (spread: number) =>
  -0.5 * ((Math.log(spread) - PRIOR_LOG_SPREAD_MEAN) / PRIOR_LOG_SPREAD_SD) ** 2

function geometric(from: number, to: number, n: number): number[] {
  return Array.from({ length: n }, (_, i) => from * (to / from) ** (i / (n - 1)))
}

/** One report of each link at every mark: the closed form, at spreads from 0.35 to 40 dB. */
export function closedForm(pairs: readonly { a: LevelCell; b: LevelCell }[]): SpreadSetting[] {
  const spreads = geometric(0.35, 40, 20)
  const kinds = countedBy(pairs, ({ a, b }) => kindOfGroup({ a: [a], b: [b] }))
  return spreads.map((spread, i) => ({
    spread,
    logPrior: priorOfSpread(spread),
    beside: [i - 1, i + 1].filter((k) => k >= 0 && k < spreads.length),
    logLikelihood: (deltas) => {
      const log = new Float64Array(deltas.length)
      for (const { item, times } of kinds)
        for (let k = 0; k < deltas.length; k++)
          log[k]! += times * Math.log(pairLikelihood(item.a, item.b, deltas[k]!, spread))
      return log
    },
  }))
}

/**
 * What a group's likelihood goes by: its reports counted from the lowest edge, since its own level is free,
 * in any order.
 */
function kindOfGroup({ a, b }: ReportGroup): string {
  let lowest = Infinity
  for (const c of [...a, ...b])
    lowest = Math.min(
      lowest,
      Number.isFinite(c.lower) ? c.lower : Infinity,
      Number.isFinite(c.upper) ? c.upper : Infinity,
    )
  const edge = (v: number) => (Number.isFinite(v) ? Math.round((v - lowest) * 1e6) : v)
  const words = (cells: readonly LevelCell[]) =>
    cells
      .map((c) => `${edge(c.lower)} ${edge(c.upper)} ${c.softDb}`)
      .sort()
      .join(';')
  return `${words(a)}|${words(b)}`
}

/** What a mark's likelihood goes by; the same text for marks whose reports tell the same. */
export const kindOfGroups = (groups: readonly ReportGroup[]) => groups.map(kindOfGroup).sort().join('/')

/** Tables of every kind of mark at one spread of the calls; groups that are alike share theirs. */
function tablesOf(
  marks: readonly { groups: readonly ReportGroup[] }[],
  error: number,
  reachDb: number,
): LazyTable[] {
  const made = new Map<string, LazyTable>()
  const tableOf = (group: ReportGroup) => {
    const key = kindOfGroup(group)
    const old = made.get(key)
    if (old) return old
    const table = tableGroupLikelihood(group, error, -reachDb - 40, reachDb + 40)
    made.set(key, table)
    return table
  }
  return marks.map(({ groups }) => productOf(groups.map(tableOf)))
}

/** What several groups of a mark say together; their tables have the same grid. */
export function productOf(tables: readonly LazyTable[]): LazyTable {
  const [first] = tables
  if (tables.length === 1) return first!
  return lazyTable(first!.startDb, first!.stepDb, first!.values.length, (values, from, to) => {
    for (let i = from; i < to; i++) values[i] = 1
    for (const table of tables) {
      if (table.done[from / STRETCH] === 0) table.fill(from / STRETCH)
      for (let i = from; i < to; i++) values[i]! *= table.values[i]!
    }
  })
}

/**
 * Several reports of a link at a mark: the mark-by-link effect and the calls' own spread, each on a grid of nine.
 * @param errors σe, dB
 * @param effects the mark-by-link effect of the difference, dB
 */
export function integrated(
  marks: readonly { groups: readonly ReportGroup[] }[],
  reachDb: number,
  errors = geometric(0.4, 16, 9),
  effects = geometric(0.4, 24, 9),
): SpreadSetting[] {
  const all = countedBy(marks, ({ groups }) => kindOfGroups(groups))
  // One report of each link: the effect and the calls' spread are one spread there, in closed form.
  const single = all.flatMap(({ item, times }) => {
    const pair = onePair(item.groups)
    return pair ? [{ item: pair, times }] : []
  })
  const kinds = all.filter(({ item }) => !onePair(item.groups))
  const ofSingle = acrossSpreads(single)
  return errors.flatMap((error, e) => {
    let tables: LazyTable[] | null = null
    return effects.map((effect, f): SpreadSetting => {
      const spread = Math.hypot(effect, Math.SQRT2 * error)
      const share = (effect * effect) / (spread * spread)
      return {
        spread,
        // σd log-normal, share of the mark-by-link effect even on 0..1; ρ(1-ρ) is the Jacobian to (ln σe, ln τ).
        logPrior: priorOfSpread(spread) + Math.log(share * (1 - share)),
        beside: [
          ...(e > 0 ? [(e - 1) * effects.length + f] : []),
          ...(e < errors.length - 1 ? [(e + 1) * effects.length + f] : []),
          ...(f > 0 ? [e * effects.length + f - 1] : []),
          ...(f < effects.length - 1 ? [e * effects.length + f + 1] : []),
        ],
        logLikelihood: (deltas) => {
          tables ??= tablesOf(
            kinds.map((k) => k.item),
            error,
            reachDb,
          )
          const log = new Float64Array(deltas.length)
          kinds.forEach(({ times }, k) => {
            for (let i = 0; i < deltas.length; i++)
              log[i]! += times * Math.log(Math.max(smoothed(tables![k]!, deltas[i]!, effect), 1e-300))
          })
          if (single.length > 0) ofSingle(deltas, spread).forEach((v, i) => (log[i]! += v))
          return log
        },
      }
    })
  })
}

/** Spreads at which single pairs are worked out, by their logarithms. */
const EVERY_LOG_SPREAD = 0.2

/**
 * Log likelihood of marks with one report of each link under any spread: worked out at every fifth of a log
 * unit of the spread, and read between by cubics, since the settings' spreads lie much closer together. The
 * same array of differences is not gone through again.
 */
function acrossSpreads(pairs: readonly { item: { a: LevelCell; b: LevelCell }; times: number }[]) {
  const known = new WeakMap<Float64Array, Map<number, Float64Array>>()
  const rowAt = (deltas: Float64Array, step: number): Float64Array => {
    const rows = known.get(deltas) ?? new Map<number, Float64Array>()
    known.set(deltas, rows)
    const old = rows.get(step)
    if (old) return old
    const spread = Math.exp(step * EVERY_LOG_SPREAD)
    const row = new Float64Array(deltas.length)
    for (const { item, times } of pairs)
      for (let i = 0; i < deltas.length; i++)
        row[i]! += times * Math.log(pairLikelihood(item.a, item.b, deltas[i]!, spread))
    rows.set(step, row)
    return row
  }
  return (deltas: Float64Array, spread: number): Float64Array => {
    const x = Math.log(spread) / EVERY_LOG_SPREAD
    const k = Math.floor(x)
    const [a, b, c, d] = [k - 1, k, k + 1, k + 2].map((step) => rowAt(deltas, step)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ]
    const [wa, wb, wc, wd] = lagrangeCubic([-1, 0, 1, 2], x - k)
    return deltas.map((_, i) => wa * a[i]! + wb * b[i]! + wc * c[i]! + wd * d[i]!)
  }
}

/** A table averaged over the mark-by-link effect, N(0, effect²), read by linear interpolation. */
export function smoothed(table: LazyTable, delta: number, effect: number): number {
  const centre = (delta - table.startDb) / table.stepDb
  const scale = effect / table.stepDb
  let sum = 0
  for (let k = 0; k < NODES.length; k++)
    sum += NODE_WEIGHTS[k]! * readBetween(table, centre + scale * NODES[k]!)
  return sum
}

/**
 * The settings that the reports leave possible. One in the middle shows about where the difference lies; from there the
 * search goes from neighbour to neighbour, each looked at near that place only, as long as one is not hopeless.
 * @returns them, and about where the difference lies, dB
 */
export function likelySettings(
  settings: readonly SpreadSetting[],
  reachDb: number,
): { likely: SpreadSetting[]; nearDb: number } {
  const middle = Math.floor(settings.length / 2)
  const wide = evenGrid(-reachDb, reachDb, Math.ceil(reachDb) + 1)
  const first = settings[middle]!.logLikelihood(wide)
  const at = wide[first.indexOf(first.reduce((m, v) => Math.max(m, v), -Infinity))]!
  const near = Float64Array.from([-8, -4, -2, 0, 2, 4, 8], (d) =>
    Math.max(-reachDb, Math.min(reachDb, at + d)),
  )
  const peaks = new Map<number, number>()
  let best = -Infinity
  const look = (i: number) => {
    const s = settings[i]!
    const peak = s.logPrior + s.logLikelihood(near).reduce((m, v) => Math.max(m, v), -Infinity)
    peaks.set(i, peak)
    best = Math.max(best, peak)
  }
  look(middle)
  // The best of those whose neighbours were not looked at is taken next, so that the hopeless are never gone through.
  const done = new Set<number>()
  for (;;) {
    let next = -1
    for (const [i, peak] of peaks)
      if (!done.has(i) && peak > best - HOPELESS && (next < 0 || peak > peaks.get(next)!)) next = i
    if (next < 0) break
    done.add(next)
    for (const i of settings[next]!.beside) if (!peaks.has(i)) look(i)
  }
  return { likely: settings.filter((_, i) => (peaks.get(i) ?? -Infinity) > best - HOPELESS), nearDb: at }
}
