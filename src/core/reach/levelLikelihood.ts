import type { LevelCell } from '@/core/stats/levelCell'
import { chanceTables, edgeOf, multiplyChance, type ChanceTables } from '@/core/stats/chanceTables'

/** One report as it enters the level model. */
export interface LevelReport {
  markId: string
  linkId: string
  /** A link in a direction: what has a level of its own. */
  group: string
  cell: LevelCell
}

/** Where a mark stands. */
export interface LevelMark {
  id: string
  legId: string
  distanceM: number
  /** Along the leg, m; shadowing is correlated along it. */
  alongM: number
}

/** The parameters of the model, in dB and km. */
export interface LevelParameters {
  /** Level at 1 km, by group, dB. */
  levels: number[]
  /** The level falls by 10 n dB a decade. */
  slope: number
  /** Shadowing of a mark, shared by all links and directions there. */
  shadowDb: number
  /** What a link has of its own at a mark, shared by its repeats and directions. */
  linkDb: number
  /** From call to call. */
  callDb: number
  /** The distance over which shadowing falls to 1/e, km. */
  shadowKm: number
}

const WIDEST = 5
const MAX_STEPS = 121
/** Of a step of the grid, for what a link has of its own where that is much less. */
const MAX_PARTS = 8

/** The reports of a leg in the order of its marks. */
export interface LegData {
  marks: { lgKm: number; alongKm: number; links: { group: number; cell: LevelCell }[][] }[]
}

/** Reports by leg and mark, outwards. */
export function legsOf(
  marks: readonly LevelMark[],
  reports: readonly LevelReport[],
  groups: readonly string[],
): LegData[] {
  const index = new Map(groups.map((g, i) => [g, i]))
  const legs = new Map<string, LegData>()
  for (const mark of [...marks].sort((a, b) => a.alongM - b.alongM)) {
    const here = reports.filter((r) => r.markId === mark.id)
    if (here.length === 0) continue
    const links = [...new Set(here.map((r) => r.linkId))].map((l) =>
      here.filter((r) => r.linkId === l).map((r) => ({ group: index.get(r.group)!, cell: r.cell })),
    )
    const leg = legs.get(mark.legId) ?? { marks: [] }
    leg.marks.push({ lgKm: Math.log10(mark.distanceM / 1000), alongKm: mark.alongM / 1000, links })
    legs.set(mark.legId, leg)
  }
  return [...legs.values()]
}

/**
 * Log likelihood of the reports. Along a leg the shadowing is a Markov chain (its covariance is exponential), so it is
 * integrated out exactly by going outwards mark by mark on an even grid (the trapezoid rule with a step of
 * min(σe, σs)/1.5); what a link has of its own at a mark is integrated out on the way.
 * @param tableOf kept from call to call, where many are made: as long as the spreads stay, so do the tables
 */
export function levelLogLikelihood(
  legs: readonly LegData[],
  p: LevelParameters,
  tableOf: ChanceTables = chanceTables(),
): number {
  const { shadowDb, linkDb, callDb } = p
  const half = WIDEST * shadowDb
  const n = Math.min(MAX_STEPS, 2 * Math.ceil(half / (Math.min(callDb, shadowDb) / 1.5)) + 1)
  const h = (2 * half) / (n - 1)
  const single = Math.hypot(callDb, linkDb)
  const row = new Float64Array(n)
  const own = ownEffectOn(h, p)
  const table = new Float64Array(Math.round(h / own.step) * n + own.stride * own.weights.length + 1)
  const grid: EmissionGrid = { p, h, half, single, own, table, tableOf }
  let state = new Float64Array(n)
  let next = new Float64Array(n)
  let total = 0
  for (const leg of legs) {
    for (let i = 0; i < n; i++) state[i] = Math.exp(-0.5 * ((i * h - half) / shadowDb) ** 2)
    normalise(state)
    leg.marks.forEach((mark, m) => {
      if (m > 0) {
        forward(state, next, row, mark.alongKm - leg.marks[m - 1]!.alongKm, h, half, p)
        ;[state, next] = [next, state]
      }
      // Only places that are still likely are worth the next link's reports.
      let [from, to] = likely(state, 0, n)
      for (const link of mark.links) {
        multiplyEmission(grid, state, [from, to], link, mark.lgKm)
        ;[from, to] = likely(state, from, to)
      }
      total += Math.log(Math.max(normalise(state), 1e-300))
    })
  }
  return total
}

/** The grid of shadowing under given parameters, and what is kept for working on it. */
interface EmissionGrid {
  p: LevelParameters
  /** Its step and half its width, dB. */
  h: number
  half: number
  /** Spread of a link's only report at a mark, dB. */
  single: number
  own: OwnEffect
  table: Float64Array
  tableOf: ChanceTables
}

/**
 * Multiplies in what one link's reports at a mark say of its shadowing. A link with one report has the closed
 * form; with more, the product of their chances is tabled once and averaged over what the link has of its own there.
 */
function multiplyEmission(
  { p, h, half, single, own, table, tableOf }: EmissionGrid,
  state: Float64Array,
  [from, to]: readonly [number, number],
  link: readonly { group: number; cell: LevelCell }[],
  lgKm: number,
): void {
  const first = -10 * p.slope * lgKm - half + from * h
  if (link.length === 1) {
    const { group, cell } = link[0]!
    const here = state.subarray(from, to)
    multiplyChance(here, to - from, tableOf(cell, single), edgeOf(cell), p.levels[group]! + first, h)
    return
  }
  const { step, stride, weights } = own
  const beyond = ((weights.length - 1) / 2) * stride
  const every = Math.round(h / step)
  const long = every * (to - from - 1) + 2 * beyond + 1
  table.fill(1, 0, long)
  for (const { group, cell } of link)
    multiplyChance(
      table,
      long,
      tableOf(cell, p.callDb),
      edgeOf(cell),
      p.levels[group]! + first - beyond * step,
      step,
    )
  for (let i = from, at = 0; i < to; i++, at += every) {
    let sum = 0
    for (let k = 0, j = at; k < weights.length; k++, j += stride) sum += weights[k]! * table[j]!
    state[i]! *= sum
  }
}

/** What a link has of its own at a mark, N(0, σu²), on steps of the shadowing's grid: the trapezoid rule to 3.4 σu. */
interface OwnEffect {
  /** The grid's step, or a whole part of it, dB. */
  step: number
  /** From node to node, steps. */
  stride: number
  weights: Float64Array
}

/** Nodes are 0.7 σu apart, or closer where calls are steadier than that, and fall on the grid. */
function ownEffectOn(h: number, { linkDb, callDb }: LevelParameters): OwnEffect {
  const apart = Math.max(0.2 * linkDb, Math.min(0.7 * linkDb, 1.2 * callDb))
  const parts = Math.max(1, Math.min(MAX_PARTS, Math.ceil(h / apart)))
  const step = h / parts
  const stride = Math.max(1, Math.floor(apart / step))
  const far = Math.ceil((3.4 * linkDb) / (stride * step))
  const weights = Float64Array.from({ length: 2 * far + 1 }, (_, k) =>
    Math.exp(-0.5 * (((k - far) * stride * step) / linkDb) ** 2),
  )
  const sum = weights.reduce((total, w) => total + w, 0)
  return { step, stride, weights: weights.map((w) => w / sum) }
}

/** What is left of a stretch when its unlikely ends are cut off and made nought. */
function likely(state: Float64Array, from: number, to: number): [number, number] {
  let top = 0
  for (let i = from; i < to; i++) if (state[i]! > top) top = state[i]!
  const least = 1e-9 * top
  while (from < to - 1 && state[from]! < least) state[from++] = 0
  while (to > from + 1 && state[to - 1]! < least) state[--to] = 0
  return [from, to]
}

/** Makes it sum to one. @returns what it summed to */
function normalise(state: Float64Array): number {
  let sum = 0
  for (const v of state) sum += v
  if (sum > 0) for (let i = 0; i < state.length; i++) state[i]! /= sum
  return sum
}

/**
 * One mark outwards: every cell's chance spread over its neighbours by a normal about ρ times its place. The
 * weights follow from each other by two multiplications, exp(-a(x+1)²) = exp(-a x²) exp(-a(2x+1)), so that a
 * row costs two exponentials.
 */
function forward(
  state: Float64Array,
  next: Float64Array,
  row: Float64Array,
  gapKm: number,
  h: number,
  half: number,
  p: LevelParameters,
): void {
  const n = state.length
  const rho = Math.exp(-Math.abs(gapKm) / p.shadowKm)
  // Narrower than the grid it cannot be; marks that close share their ground to within a step.
  const q = Math.max(p.shadowDb * Math.sqrt(1 - rho * rho), 0.7 * h) / h
  const a = 1 / (2 * q * q)
  const fall = Math.exp(-2 * a)
  next.fill(0)
  for (let i = 0; i < n; i++) {
    const v = state[i]!
    if (v < 1e-11) continue
    const centre = (rho * (i * h - half) + half) / h
    const first = Math.max(0, Math.floor(centre - 4 * q))
    const last = Math.min(n - 1, Math.ceil(centre + 4 * q))
    const x = first - centre
    let w = Math.exp(-a * x * x)
    let ratio = Math.exp(-a * (2 * x + 1))
    let sum = 0
    for (let j = first; j <= last; j++) {
      row[j] = w
      sum += w
      w *= ratio
      ratio *= fall
    }
    const share = v / sum
    for (let j = first; j <= last; j++) next[j]! += share * row[j]!
  }
}
