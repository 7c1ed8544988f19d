import { Arrow } from './arrow'
import { bendsOf } from './bends'
import { noChance } from './chanceAt'
import { Chances } from './chances'
import { Floors, floorOf } from './floors'
import { layoutOf, type Layout } from './layout'
import { placer, type PlacedCell } from './placedCell'
import type { ModelPriors, NormalPrior, Spreads } from './priors'
import type { ModelData } from './reports'
import { TabledChances } from './tabledChances'

/** A log of more different reports than this is long: its spreads are known closely, and each look at it takes time. */
const MANY = 2000
/** With so many reports for each kind of report a table of what each says at each level costs less. */
const TABLED_FROM = 30

/**
 * The posterior of the field, given the spreads: what each link has of its own at a mark, the ground along the
 * legs, and what is shared (levels, links, slope, cuts), in this order in one vector. Its logarithm, gradient
 * and curvature.
 */
export class Field {
  readonly layout: Layout
  /** Where its slope may change, lg of m. */
  readonly bends: readonly number[]
  readonly size: number
  /** Where the shared unknowns begin. */
  readonly at: number
  /** Different reports of all cells: what one look at the likelihood costs. */
  readonly said: number
  readonly isLong: boolean
  private readonly chances: Chances | TabledChances
  readonly gradient: Float64Array
  readonly curve: Arrow
  /** Room for its Cholesky factor. */
  readonly factor: Arrow
  /** Of what links have of their own and of the ground alone, and room for its factor. */
  readonly placesCurve: Arrow
  readonly placesFactor: Arrow
  private readonly cuts: Float64Array[]
  private readonly cutGradient: Float64Array[]
  private readonly cutCurve: Float64Array[][]
  private readonly one = noChance()
  private readonly cross: Float64Array
  private readonly cells: PlacedCell[]
  /** Of each cell, as {@link derivePlaces} last found it. */
  private readonly sharedLevel: Float64Array
  /** What of the shared unknowns has a soft floor. */
  readonly floors: Floors

  constructor(
    readonly data: ModelData,
    readonly priors: ModelPriors,
  ) {
    this.bends = bendsOf(data, priors)
    this.layout = layoutOf(data, this.bends.length)
    this.at = data.ownMark.length + data.marks.length
    this.size = this.at + this.layout.size
    const chances = new Chances(data, priors)
    this.said = data.cells.reduce((n, c) => n + c.said.length, 0)
    this.isLong = this.said > MANY
    this.chances = this.said >= TABLED_FROM * data.patterns.length ? new TabledChances(chances) : chances
    this.gradient = new Float64Array(this.size)
    this.curve = this.arrow(this.layout.size)
    this.factor = this.arrow(this.layout.size)
    this.placesCurve = this.arrow(0)
    this.placesFactor = this.arrow(0)
    this.cuts = this.layout.cuts.map((k) => new Float64Array(k))
    this.cutGradient = this.layout.cuts.map((k) => new Float64Array(k))
    this.cutCurve = this.layout.cuts.map((k) => Array.from({ length: k }, () => new Float64Array(k)))
    this.cross = new Float64Array(Math.max(1, ...this.layout.cuts))
    this.cells = data.cells.map(placer(data, this.layout, this.bends))
    this.sharedLevel = new Float64Array(this.cells.length)
    this.floors = new Floors(data, this.layout, priors)
  }

  private arrow(shared: number): Arrow {
    return new Arrow(this.data.ownMark, this.data.marks.length, shared)
  }

  /** The means of the priors, the first cut under all strengths that were heard. */
  start(): Float64Array {
    const { layout, data, priors, at } = this
    const x = new Float64Array(this.size)
    for (const i of layout.level) x[at + i] = data.levelDb
    x[at + layout.slope] = priors.slope[0]
    layout.cut.forEach((first, d) => {
      const heard = data.patterns.flatMap(({ listener, call }) =>
        listener === d && 'lowerDb' in call
          ? [Number.isFinite(call.lowerDb) ? call.lowerDb : call.upperDb - 3]
          : [],
      )
      x[at + first] = Math.min(data.levelDb + priors.firstCut[0], ...heard)
      for (let k = 1; k < layout.cuts[d]!; k++) x[at + first + k] = this.gapPrior(d)[0]
    })
    return x
  }

  private gapPrior(listener: number): NormalPrior {
    return this.data.input.listeners[listener]!.counts ? this.priors.halfShare : this.priors.gap
  }

  /** A listener's cuts, dB. */
  cutsAt(x: Float64Array, listener: number, into = this.cuts[listener]!): Float64Array {
    const first = this.at + this.layout.cut[listener]!
    let sum = 0
    for (let k = 0; k < into.length; k++) into[k] = sum += x[first + k]!
    return into
  }

  /** Level of a cell of reports, dB. */
  private levelAt(x: Float64Array, placed: PlacedCell): number {
    const { own, mark } = placed.cell
    return this.sharedAt(x, placed) + x[own]! + x[this.data.ownMark.length + mark]!
  }

  /** What of a cell's level hangs on the shared unknowns, and what is known of it, dB. */
  private sharedAt(x: Float64Array, { cell, hangs, factors }: PlacedCell): number {
    let y = cell.knownDb
    for (let i = 0; i < hangs.length; i++) y += factors[i]! * x[this.at + hangs[i]!]!
    return y
  }

  /** ln of prior and likelihood at x, up to what hangs on neither x nor the spreads. */
  value(x: Float64Array, spreads: Spreads): number {
    return this.prior(x, spreads, false) + this.likelihood(x, spreads, false)
  }

  /** The same; {@link gradient} and {@link curve} (minus the second derivatives) are filled. */
  derive(x: Float64Array, spreads: Spreads): number {
    this.gradient.fill(0)
    this.curve.clear()
    return this.prior(x, spreads, true) + this.likelihood(x, spreads, true)
  }

  /**
   * The same with what is shared held fast: the gradient's part of what links have of their own and of the ground is
   * filled, and {@link placesCurve}.
   * @param again whether nothing that is shared has changed since it was last asked
   */
  derivePlaces(x: Float64Array, spreads: Spreads, again = false): number {
    const { data, gradient, placesCurve, chances, one } = this
    gradient.fill(0)
    placesCurve.clear()
    let ln = this.placesPrior(x, spreads, placesCurve) + this.sharedPrior(x, false)
    if (!again) {
      this.cuts.forEach((_, d) => this.cutsAt(x, d))
      chances.set(spreads, this.cuts, false)
    }
    const owns = data.ownMark.length
    const { cells, sharedLevel } = this
    for (let c = 0; c < cells.length; c++) {
      const { said, own, mark } = cells[c]!.cell
      if (!again) sharedLevel[c] = this.sharedAt(x, cells[c]!)
      const y = sharedLevel[c]! + x[own]! + x[owns + mark]!
      for (let k = 0; k < said.length; k++) {
        const { pattern, count } = said[k]!
        chances.levelAt(pattern, y, one)
        ln += count * one.log
        const hy = -count * one.yy
        gradient[own]! += count * one.y
        gradient[owns + mark]! += count * one.y
        placesCurve.own[own]! += hy
        placesCurve.ownGround[own]! += hy
        placesCurve.ground[mark]! += hy
      }
    }
    return ln
  }

  private prior(x: Float64Array, spreads: Spreads, derive: boolean): number {
    return this.placesPrior(x, spreads, derive ? this.curve : null) + this.sharedPrior(x, derive)
  }

  /** Prior of what links have of their own and of the ground. @param curve filled with the gradient; null where neither is wanted */
  private placesPrior(x: Float64Array, spreads: Spreads, curve: Arrow | null): number {
    const { data, gradient } = this
    const [owns, places] = [data.ownMark.length, data.marks.length]
    let ln = 0
    const v = 1 / spreads.ownDb ** 2
    for (let u = 0; u < owns; u++) {
      ln -= 0.5 * v * x[u]! * x[u]!
      if (!curve) continue
      gradient[u]! -= v * x[u]!
      curve.own[u]! += v
    }
    ln -= owns * Math.log(spreads.ownDb)
    for (let m = 0; m < places; m++) {
      const gap = data.gapM[m]!
      const r = gap === null ? 0 : Math.exp(-gap / spreads.sharedM)
      const sd = spreads.groundDb * (gap === null ? 1 : Math.sqrt(-Math.expm1((-2 * gap) / spreads.sharedM)))
      const w = 1 / (sd * sd)
      const off = x[owns + m]! - (r === 0 ? 0 : r * x[owns + m - 1]!)
      ln -= 0.5 * w * off * off + Math.log(sd)
      if (!curve) continue
      gradient[owns + m]! -= w * off
      curve.ground[m]! += w
      if (r === 0) continue
      gradient[owns + m - 1]! += w * r * off
      curve.ground[m - 1]! += w * r * r
      curve.groundBefore[m]! -= w * r
    }
    return ln
  }

  private sharedPrior(x: Float64Array, derive: boolean): number {
    const { data, layout, priors, at, gradient, curve } = this
    let ln = 0
    const normal = (i: number, mean: number, sd: number) => {
      const z = (x[at + i]! - mean) / sd
      ln -= 0.5 * z * z
      if (!derive) return
      gradient[at + i]! -= z / sd
      curve.shared[i * layout.size + i]! += 1 / (sd * sd)
    }
    const floored = (sum: readonly number[], [where, over]: readonly [number, number]) => {
      const [l, d, c] = floorOf((sum.reduce((s, i) => s + x[at + i]!, 0) - where) / over)
      ln += l
      if (!derive) return
      sum.forEach((i, n) => {
        gradient[at + i]! += d / over
        for (let k = 0; k <= n; k++) curve.shared[i * layout.size + sum[k]!]! += c / (over * over)
      })
    }
    for (const i of layout.level) normal(i, data.levelDb, priors.levelSdDb)
    layout.term.forEach((i, t) => normal(i, 0, data.input.terms![t]!.sdDb))
    for (const i of layout.link) normal(i, 0, priors.linkSdDb)
    for (const i of layout.linkAt.flat()) normal(i, 0, priors.listenerSdDb)
    normal(layout.slope, ...priors.slope)
    for (const i of layout.bend) normal(i, 0, priors.bendSd)
    if (layout.step !== null) normal(layout.step, 0, data.input.step!.sdDb)
    layout.cut.forEach((first, d) => {
      normal(first, data.levelDb + priors.firstCut[0], priors.firstCut[1])
      for (let k = 1; k < layout.cuts[d]!; k++) normal(first + k, ...this.gapPrior(d))
    })
    for (const { sum, floor } of this.floors.all) floored(sum, floor)
    return ln
  }

  private likelihood(x: Float64Array, spreads: Spreads, derive: boolean): number {
    const { chances, one } = this
    this.cuts.forEach((_, d) => this.cutsAt(x, d))
    chances.set(spreads, this.cuts, derive)
    if (derive) {
      for (const g of this.cutGradient) g.fill(0)
      for (const rows of this.cutCurve) for (const row of rows) row.fill(0)
    }
    let ln = 0
    const { cross } = this
    for (const placed of this.cells) {
      const { cell } = placed
      const y = this.levelAt(x, placed)
      const g = this.cutGradient[cell.listener]!
      const h = this.cutCurve[cell.listener]!
      let gy = 0
      let hy = 0
      if (derive) cross.fill(0)
      for (let k = 0; k < cell.said.length; k++) {
        const { pattern, count } = cell.said[k]!
        if (!derive) {
          ln += count * chances.lnAt(pattern, y)
          continue
        }
        chances.at(pattern, y, one)
        ln += count * one.log
        const a = chances.cutBelow(pattern)
        const b = chances.cutAbove(pattern)
        gy += count * one.y
        hy -= count * one.yy
        g[a]! += count * one.a
        cross[a]! -= count * one.ya
        h[a]![a]! -= count * one.aa
        if (b < 0) continue
        g[b]! += count * one.b
        cross[b]! -= count * one.yb
        h[b]![b]! -= count * one.bb
        h[b]![a]! -= count * one.ab
      }
      if (derive) this.addCell(placed, gy, hy, cross)
    }
    if (derive) this.addCuts()
    return ln
  }

  /** Spreads a cell's derivatives by its level over all that the level is the sum of. */
  private addCell(
    { cell: { mark, listener, own }, hangs, factors }: PlacedCell,
    gy: number,
    hy: number,
    cross: Float64Array,
  ): void {
    const { layout, data, at, gradient, curve } = this
    const g = data.ownMark.length + mark
    gradient[own]! += gy
    gradient[g]! += gy
    curve.own[own]! += hy
    curve.ownGround[own]! += hy
    curve.ground[mark]! += hy
    const { ownShared, groundShared, shared } = curve
    const { size } = layout
    const ownRow = own * size
    const groundRow = mark * size
    for (let n = 0; n < hangs.length; n++) {
      const i = hangs[n]!
      const c = factors[n]!
      const by = c * hy
      gradient[at + i]! += c * gy
      ownShared[ownRow + i]! += by
      groundShared[groundRow + i]! += by
      for (let k = 0; k <= n; k++) shared[i * size + hangs[k]!]! += factors[k]! * by
    }
    // A cut is the sum of the first and of the gaps up to it, so what a gap does is the sum over the cuts above it.
    const first = layout.cut[listener]!
    let sum = 0
    for (let k = layout.cuts[listener]! - 1; k >= 0; k--) {
      sum += cross[k]!
      if (sum === 0) continue
      ownShared[ownRow + first + k]! += sum
      groundShared[groundRow + first + k]! += sum
      const row = (first + k) * size
      for (let n = 0; n < hangs.length; n++) shared[row + hangs[n]!]! += factors[n]! * sum
    }
  }

  private addCuts(): void {
    const { layout, at, gradient, curve } = this
    layout.cut.forEach((first, d) => {
      const [g, h, n] = [this.cutGradient[d]!, this.cutCurve[d]!, layout.cuts[d]!]
      let sum = 0
      for (let k = n - 1; k >= 0; k--) {
        sum += g[k]!
        gradient[at + first + k]! += sum
        for (let j = 0; j <= k; j++) {
          let s = 0
          for (let p = k; p < n; p++) for (let q = j; q < n; q++) s += p >= q ? h[p]![q]! : h[q]![p]!
          curve.shared[(first + k) * layout.size + first + j]! += s
        }
      }
    })
  }
}
