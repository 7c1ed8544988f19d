import { normalPdf } from '@/core/stats/numeric/normal'
import { quickNormalCdf } from '@/core/stats/numeric/quickNormalCdf'
import { callParts, type Part } from './callParts'
import { fill, noChance, none, type ChanceAt } from './chanceAt'
import {
  emptyTable,
  fillHeard,
  fillStep,
  LEAST_OF_STEP,
  strengthNodes,
  type StepTable,
  type StrengthNodes,
} from './nodes'
import type { ModelPriors, Spreads } from './priors'
import type { Call, ModelData, ModelListener, Pattern } from './reports'
import { shareTable, stillShares, type ShareTable } from './shares'
import { StrengthChance } from './strengthChance'

/** A pattern with what is kept of it from point to point. */
interface Kept extends Pattern {
  /** Which of its listener's cuts lie below and above; -1 where there is none. */
  below: number
  above: number
  nodes: StrengthNodes | null
  /** What a steady level gives of a share of words. */
  still: Float64Array | null
  table: StepTable | null
}

/** The levels at which a strength is looked at; null of a call without one. @param stretch of a step nobody measured */
function nodesOf(call: Call, who: ModelListener, stretch: number): StrengthNodes | null {
  if (call.kind !== 'strength' && call.kind !== 'step and strength') return null
  const { stretchedBelowDb: below, readingErrorDb } = who
  if (below === undefined) return strengthNodes(call.lowerDb, call.upperDb, readingErrorDb)
  const at = (db: number) => (db < below ? below + stretch * (db - below) : db)
  return strengthNodes(at(call.lowerDb), at(call.upperDb), stretch * readingErrorDb)
}

/** Of a step's stray share: less is left only where draws have two cuts change places. */
const CROSSED = 0.1

/**
 * The chances of all patterns of a run. {@link set} fixes the spreads and the cuts, then {@link at} reads
 * ln of the chance of a pattern at a level, with its derivatives.
 */
export class Chances {
  private readonly kept: Kept[]
  private spreads!: Spreads
  private cuts!: readonly Float64Array[]
  private readonly shares = new Map<number, ShareTable>()
  private readonly strengths = new StrengthChance()
  private readonly spare = noChance()
  private leastCallDb: number
  private stretched = 1
  private sharesOfCallDb = 0
  /** The two parts of a call, and the same with the cut's own width. */
  private call: readonly Part[] = []
  private cut: readonly Part[] = []

  constructor(
    private readonly data: ModelData,
    private readonly priors: ModelPriors,
  ) {
    this.kept = data.patterns.map((p) => {
      const who = data.input.listeners[p.listener]!
      const { steps } = who
      const { call } = p
      const nodes = nodesOf(call, who, 1)
      const step = 'step' in call ? call.step : null
      return {
        ...p,
        below: step === null ? (call.kind === 'share' ? 1 : 0) : step - 1,
        above: step !== null && step < steps ? step : -1,
        nodes,
        still: call.kind === 'share' ? stillShares(call.k, call.n, priors) : null,
        table: nodes && emptyTable(nodes.n),
      }
    })
    this.leastCallDb = this.leastCall()
  }

  private leastCall(): number {
    return LEAST_OF_STEP * Math.max(0, ...this.kept.map((k) => k.nodes?.step ?? 0))
  }

  /** Reads strengths of meters that nobody measured by another step. */
  private stretch(by: number): void {
    this.stretched = by
    for (const k of this.kept) {
      const who = this.data.input.listeners[k.listener]!
      if (who.stretchedBelowDb === undefined || !k.nodes) continue
      k.nodes = nodesOf(k.call, who, by)!
      k.table = emptyTable(k.nodes.n)
    }
    this.leastCallDb = this.leastCall()
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
    if (spreads.stretch !== this.stretched) this.stretch(spreads.stretch)
    this.spreads = spreads
    this.cuts = cuts
    const { stray } = this.priors
    const callDb = Math.max(spreads.callDb, this.leastCallDb)
    this.call = callParts(this.priors, (times) => times * callDb)
    this.cut = callParts(this.priors, (times) => Math.hypot(times * callDb, spreads.cutDb))
    this.strengths.set(this.call, 1 - spreads.lapse)
    this.kept.forEach((k) => {
      if (!k.nodes || !k.table) return
      const mine = cuts[k.listener]!
      const steps = mine.length
      if (k.call.kind === 'strength') fillHeard(k.table, k.nodes, mine[0]!, spreads)
      else
        fillStep(
          k.table,
          k.nodes,
          mine[k.below]!,
          k.above < 0 ? Infinity : mine[k.above]!,
          spreads,
          this.priors,
          1 - stray * steps,
          derive,
        )
    })
    if (this.sharesOfCallDb !== spreads.callDb) this.shares.clear()
    this.sharesOfCallDb = spreads.callDb
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
        if (k.nodes && k.table) this.strengths.at(k.nodes, k.table, y, out)
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
      p += share * quickNormalCdf(z)
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
      if (open) p += share * quickNormalCdf(-za)
      else {
        const zb = (mine[k.above]! - y) / width
        const pb = (share * normalPdf(zb)) / width
        fb += pb
        fbz += (pb * zb) / width
        // The difference of two tails, taken on the side where they are small.
        p +=
          share *
          (za > 0 ? quickNormalCdf(-za) - quickNormalCdf(-zb) : quickNormalCdf(zb) - quickNormalCdf(za))
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
    if (!k.still) return
    let table = this.shares.get(pattern)
    if (!table) {
      table = shareTable(k.still, this.call)
      this.shares.set(pattern, table)
    }
    const { log, d, dd } = table.at(y - this.cuts[k.listener]![1]!)
    fill(out, log + Math.log(1 - this.spreads.lapse), d, -d, dd, -dd, dd)
  }

  /** ln of the chance and its derivatives by the level; the others in `out` are not to be read. */
  levelAt(pattern: number, y: number, out: ChanceAt): void {
    const { nodes, table } = this.kept[pattern]!
    if (nodes && table) this.strengths.levelAt(nodes, table, y, out)
    else this.at(pattern, y, out)
  }

  /** ln of the chance alone. */
  lnAt(pattern: number, y: number): number {
    const { nodes, table } = this.kept[pattern]!
    if (nodes && table) return this.strengths.lnAt(nodes, table, y)
    this.at(pattern, y, this.spare)
    return this.spare.log
  }
}
