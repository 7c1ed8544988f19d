import { normalCdf, normalPdf } from '@/core/stats/normal'
import {
  emptyTable,
  fillHeard,
  fillStep,
  fillStepValues,
  LEAST_OF_STEP,
  strengthNodes,
  type StepTable,
  type StrengthNodes,
} from './nodes'
import type { Part } from './callParts'
import type { ModelPriors, Spreads } from './priors'
import type { ModelData, Pattern } from './reports'
import { shareTable, type ShareTable } from './shares'

/** ln of the chance of a report and its derivatives by the level y, the cut below (a) and the cut above (b). */
export interface ChanceAt {
  log: number
  y: number
  a: number
  b: number
  yy: number
  ya: number
  yb: number
  aa: number
  ab: number
  bb: number
}

export const noChance = (): ChanceAt => ({
  log: 0,
  y: 0,
  a: 0,
  b: 0,
  yy: 0,
  ya: 0,
  yb: 0,
  aa: 0,
  ab: 0,
  bb: 0,
})

/** A pattern with what is kept of it from point to point. */
interface Kept extends Pattern {
  /** Which of its listener's cuts lie below and above; -1 where there is none. */
  below: number
  above: number
  nodes: StrengthNodes | null
  table: StepTable | null
}

/** Chances smaller than this are none; it keeps logarithms finite. */
const LEAST = 1e-290
const NONE = Math.log(LEAST)
/** Of a step's stray share: less is left only where draws have two cuts change places. */
const CROSSED = 0.1

function none(out: ChanceAt): void {
  fill(out, NONE, 0, 0, 0, 0, 0)
}

/**
 * The chances of all patterns of a run. {@link set} fixes the spreads and the cuts, then {@link at} reads
 * ln of the chance of a pattern at a level, with its derivatives.
 */
export class Chances {
  private readonly kept: Kept[]
  private spreads!: Spreads
  private cuts!: readonly Float64Array[]
  private shares = new Map<number, ShareTable>()
  private readonly spare = noChance()
  private readonly leastCallDb: number
  private spreadsOfShares: Spreads | null = null
  /** ln ω/σ and σ of the two parts of a call, and of the same with the cut's own width. */
  private call: readonly Part[] = []
  private cut: readonly Part[] = []

  constructor(
    data: ModelData,
    private readonly priors: ModelPriors,
  ) {
    this.kept = data.patterns.map((p) => {
      const steps = data.input.listeners[p.listener]!.steps
      const { call } = p
      const nodes =
        call.kind === 'strength' || call.kind === 'step and strength'
          ? strengthNodes(call.lowerDb, call.upperDb, data.input.listeners[p.listener]!.readingErrorDb)
          : null
      const step = 'step' in call ? call.step : null
      return {
        ...p,
        below: step === null ? (call.kind === 'share' ? 1 : 0) : step - 1,
        above: step !== null && step < steps ? step : -1,
        nodes,
        table: nodes && emptyTable(nodes.n),
      }
    })
    this.leastCallDb = LEAST_OF_STEP * Math.max(0, ...this.kept.map((k) => k.nodes?.step ?? 0))
  }

  /** Which cut of its listener lies below a pattern. */
  cutBelow(pattern: number): number {
    return this.kept[pattern]!.below
  }

  /** And which above; -1 where there is none. */
  cutAbove(pattern: number): number {
    return this.kept[pattern]!.above
  }

  /** Fixes the spreads and every listener's cuts, dB. @param derive false where only {@link lnAt} is asked afterwards */
  set(spreads: Spreads, cuts: readonly Float64Array[], derive = true): void {
    this.spreads = spreads
    this.cuts = cuts
    const { wide, stray } = this.priors
    const parts = (sd: (times: number) => number): Part[] =>
      [[1 - wide[0], sd(1)] as const, [wide[0], sd(wide[1])] as const].map(([share, width]) => ({
        share,
        width,
        lnHeight: Math.log((share * 0.3989422804014327) / width),
      }))
    const callDb = Math.max(spreads.callDb, this.leastCallDb)
    this.call = parts((times) => times * callDb)
    this.cut = parts((times) => Math.hypot(times * callDb, spreads.cutDb))
    this.kept.forEach((k) => {
      if (!k.nodes || !k.table) return
      const mine = cuts[k.listener]!
      const steps = mine.length
      if (k.call.kind === 'strength') fillHeard(k.table, k.nodes, mine[0]!, spreads)
      else
        (derive ? fillStep : fillStepValues)(
          k.table,
          k.nodes,
          mine[k.below]!,
          k.above < 0 ? Infinity : mine[k.above]!,
          spreads,
          this.priors,
          1 - stray * steps,
        )
    })
    if (this.spreadsOfShares?.callDb !== spreads.callDb) this.shares.clear()
    this.spreadsOfShares = spreads
  }

  /** ln of the chance of a pattern at a level, dB, written into `out`. */
  at(pattern: number, y: number, out: ChanceAt): void {
    const k = this.kept[pattern]!
    switch (k.call.kind) {
      case 'not heard':
        return this.notHeard(k, y, out)
      case 'step':
        return this.step(k, y, out)
      case 'share':
        return this.share(k, pattern, y, out)
      default:
        return this.strength(k, y, out)
    }
  }

  private notHeard(k: Kept, y: number, out: ChanceAt): void {
    const first = this.cuts[k.listener]![0]!
    const { lapse } = this.spreads
    let p = 0
    let d = 0
    let dd = 0
    for (const { share, width } of this.cut) {
      const z = (first - y) / width
      const f = (share * normalPdf(z)) / width
      p += share * normalCdf(z)
      d += f
      dd -= (f * z) / width
    }
    p = lapse + (1 - lapse) * p
    const g = ((1 - lapse) * d) / p
    const h = ((1 - lapse) * dd) / p - g * g
    fill(out, Math.log(p), -g, g, h, -h, h)
  }

  private step(k: Kept, y: number, out: ChanceAt): void {
    const mine = this.cuts[k.listener]!
    const { lapse } = this.spreads
    const { stray } = this.priors
    const top = 1 - stray * mine.length
    const open = k.above < 0
    let p = 0
    let fa = 0
    let fb = 0
    let faz = 0
    let fbz = 0
    for (const { share, width } of this.cut) {
      const za = (mine[k.below]! - y) / width
      const pa = (share * normalPdf(za)) / width
      fa += pa
      faz += (pa * za) / width
      if (open) p += share * normalCdf(-za)
      else {
        const zb = (mine[k.above]! - y) / width
        const pb = (share * normalPdf(zb)) / width
        fb += pb
        fbz += (pb * zb) / width
        // The difference of two tails, taken on the side where they are small.
        p += share * (za > 0 ? normalCdf(-za) - normalCdf(-zb) : normalCdf(zb) - normalCdf(za))
      }
    }
    const whole = top * p + stray
    if (whole < CROSSED * stray) return none(out)
    const s = top / whole
    out.log = Math.log((1 - lapse) * whole)
    out.y = s * (fa - fb)
    out.a = -s * fa
    out.b = s * fb
    out.yy = s * (faz - fbz) - out.y * out.y
    out.ya = -s * faz - out.y * out.a
    out.yb = s * fbz - out.y * out.b
    out.aa = s * faz - out.a * out.a
    out.ab = -out.a * out.b
    out.bb = -s * fbz - out.b * out.b
  }

  private share(k: Kept, pattern: number, y: number, out: ChanceAt): void {
    const { call } = k
    if (call.kind !== 'share') return
    let table = this.shares.get(pattern)
    if (!table) {
      table = shareTable(call.k, call.n, this.call, this.priors)
      this.shares.set(pattern, table)
    }
    const { log, d, dd } = table.at(y - this.cuts[k.listener]![1]!)
    fill(out, log + Math.log(1 - this.spreads.lapse), d, -d, dd, -dd, dd)
  }

  /**
   * Sums a normal density about y over all nodes, part by part, outwards from the node nearest to y. From node to node
   * the density follows by two multiplications, so that a report costs a handful of exponentials.
   */
  private strength(k: Kept, y: number, out: ChanceAt): void {
    if (!k.nodes || !k.table) return
    const { from, step, n } = k.nodes
    const { value, a, b, aa, bb } = k.table
    const near = Math.max(0, Math.min(n - 1, Math.round((y - from) / step)))
    const off = from + near * step - y
    const top = this.highest(off)
    let p = 0
    let py = 0
    let pyy = 0
    let pa = 0
    let pb = 0
    let pya = 0
    let pyb = 0
    let paa = 0
    let pbb = 0
    for (const { width, lnHeight } of this.call) {
      const v = 1 / (width * width)
      const fall = Math.exp(-step * step * v)
      const height = Math.exp(lnHeight - 0.5 * off * off * v - top)
      let density = height
      let ratio = Math.exp(-0.5 * (2 * off * step + step * step) * v)
      for (let i = near; i < n; i++) {
        const u = (off + (i - near) * step) * v
        const f = density * value[i]!
        const fa = density * a[i]!
        const fb = density * b[i]!
        p += f
        py += u * f
        pyy += (u * u - v) * f
        pa += fa
        pb += fb
        pya += u * fa
        pyb += u * fb
        paa += density * aa[i]!
        pbb += density * bb[i]!
        density *= ratio
        ratio *= fall
      }
      ratio = Math.exp(-0.5 * (step * step - 2 * off * step) * v)
      density = height * ratio
      ratio *= fall
      for (let i = near - 1; i >= 0; i--) {
        const u = (off + (i - near) * step) * v
        const f = density * value[i]!
        const fa = density * a[i]!
        const fb = density * b[i]!
        p += f
        py += u * f
        pyy += (u * u - v) * f
        pa += fa
        pb += fb
        pya += u * fa
        pyb += u * fb
        paa += density * aa[i]!
        pbb += density * bb[i]!
        density *= ratio
        ratio *= fall
      }
    }
    if (p < LEAST) return none(out)
    out.log = Math.log((1 - this.spreads.lapse) * p) + top
    out.y = py / p
    out.a = pa / p
    out.b = pb / p
    out.yy = pyy / p - out.y * out.y
    out.ya = pya / p - out.y * out.a
    out.yb = pyb / p - out.y * out.b
    out.aa = paa / p - out.a * out.a
    out.ab = -out.a * out.b
    out.bb = pbb / p - out.b * out.b
  }

  /** ln of the higher of the parts' densities so far off. */
  private highest(off: number): number {
    let top = -Infinity
    for (const { width, lnHeight } of this.call) top = Math.max(top, lnHeight - 0.5 * (off / width) ** 2)
    return top
  }

  /** ln of the chance alone. */
  lnAt(pattern: number, y: number): number {
    const k = this.kept[pattern]!
    if (!k.nodes || !k.table) {
      this.at(pattern, y, this.spare)
      return this.spare.log
    }
    const { from, step, n } = k.nodes
    const { value } = k.table
    const near = Math.max(0, Math.min(n - 1, Math.round((y - from) / step)))
    const off = from + near * step - y
    const top = this.highest(off)
    let p = 0
    for (const { width, lnHeight } of this.call) {
      const v = 1 / (width * width)
      const fall = Math.exp(-step * step * v)
      const height = Math.exp(lnHeight - 0.5 * off * off * v - top)
      let density = height
      let ratio = Math.exp(-0.5 * (2 * off * step + step * step) * v)
      for (let i = near; i < n; i++) {
        p += density * value[i]!
        density *= ratio
        ratio *= fall
      }
      ratio = Math.exp(-0.5 * (step * step - 2 * off * step) * v)
      density = height * ratio
      ratio *= fall
      for (let i = near - 1; i >= 0; i--) {
        p += density * value[i]!
        density *= ratio
        ratio *= fall
      }
    }
    return p < LEAST ? NONE : Math.log((1 - this.spreads.lapse) * p) + top
  }
}

function fill(out: ChanceAt, log: number, y: number, a: number, yy: number, ya: number, aa: number): void {
  out.log = log
  out.y = y
  out.a = a
  out.yy = yy
  out.ya = ya
  out.aa = aa
  out.b = out.yb = out.ab = out.bb = 0
}
