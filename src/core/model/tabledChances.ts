import { noChance, type ChanceAt } from './chanceAt'
import type { Chances } from './chances'
import type { Spreads } from './priors'

/** Levels at which a pattern's chance is worked out: so far apart at the most, dB, and as a share of a call's spread. */
const STEP_DB = 0.5
const STEP_SHARE = 0.25
/** Beyond these levels nothing is tabled. */
const FROM_DB = -260
const TO_DB = 90
/** Figures kept for each level, in the order of {@link keep}. */
const FIGURES = 10

interface Table {
  figures: Float64Array
  /** The spreads and cuts that each level's figures were made for. */
  made: Uint32Array
}

/**
 * The chances of a log of thousands of checks, where the same reports are asked for at level after level: each is
 * worked out at levels evenly apart, once it is needed, and read by cubics between them (Hermite's). Next to a
 * quadratic, which the logarithm nearly is, these err by less than a ten-thousandth.
 */
export class TabledChances implements Pick<
  Chances,
  'set' | 'at' | 'levelAt' | 'lnAt' | 'cutBelow' | 'cutAbove'
> {
  private readonly tables = new Map<number, Table>()
  private readonly node = noChance()
  private readonly out = noChance()
  private step = STEP_DB
  private count = 0
  private now = 0
  private derived = true

  constructor(private readonly exact: Chances) {}

  cutBelow(pattern: number): number {
    return this.exact.cutBelow(pattern)
  }

  cutAbove(pattern: number): number {
    return this.exact.cutAbove(pattern)
  }

  set(spreads: Spreads, cuts: readonly Float64Array[], derive = true): void {
    this.exact.set(spreads, cuts, derive)
    const step = Math.max(0.1, Math.min(STEP_DB, STEP_SHARE * spreads.callDb))
    const count = Math.ceil((TO_DB - FROM_DB) / step) + 1
    if (count > this.count) this.tables.clear()
    this.step = step
    this.count = Math.max(count, this.count)
    this.derived = derive
    this.now++
  }

  at(pattern: number, y: number, out: ChanceAt): void {
    const place = (y - FROM_DB) / this.step
    const i = Math.floor(place)
    if (!(i >= 0 && i + 1 < this.count)) return this.exact.at(pattern, y, out)
    const figures = this.figuresAbout(pattern, i)
    const p = i * FIGURES
    const q = p + FIGURES
    const t = place - i
    const { step } = this
    const h01 = t * t * (3 - 2 * t)
    const h10 = t * (1 - t) * (1 - t) * step
    const h11 = -t * t * (1 - t) * step
    const d01 = (6 * t * (1 - t)) / step
    const d10 = (1 - t) * (1 - 3 * t)
    const d11 = t * (3 * t - 2)
    out.log = figures[p]! + h01 * (figures[q]! - figures[p]!) + h10 * figures[p + 1]! + h11 * figures[q + 1]!
    const y0 = figures[p + 1]!
    const y1 = figures[q + 1]!
    const yy0 = figures[p + 2]!
    const yy1 = figures[q + 2]!
    out.y = y0 + h01 * (y1 - y0) + h10 * yy0 + h11 * yy1
    out.yy = d01 * (y1 - y0) + d10 * yy0 + d11 * yy1
    if (!this.derived) return
    const a0 = figures[p + 3]!
    const a1 = figures[q + 3]!
    const ya0 = figures[p + 4]!
    const ya1 = figures[q + 4]!
    out.a = a0 + h01 * (a1 - a0) + h10 * ya0 + h11 * ya1
    out.ya = d01 * (a1 - a0) + d10 * ya0 + d11 * ya1
    const b0 = figures[p + 5]!
    const b1 = figures[q + 5]!
    const yb0 = figures[p + 6]!
    const yb1 = figures[q + 6]!
    out.b = b0 + h01 * (b1 - b0) + h10 * yb0 + h11 * yb1
    out.yb = d01 * (b1 - b0) + d10 * yb0 + d11 * yb1
    out.aa = figures[p + 7]! + t * (figures[q + 7]! - figures[p + 7]!)
    out.ab = figures[p + 8]! + t * (figures[q + 8]! - figures[p + 8]!)
    out.bb = figures[p + 9]! + t * (figures[q + 9]! - figures[p + 9]!)
  }

  levelAt(pattern: number, y: number, out: ChanceAt): void {
    this.at(pattern, y, out)
  }

  lnAt(pattern: number, y: number): number {
    this.at(pattern, y, this.out)
    return this.out.log
  }

  /** A pattern's figures, those at a level and at the next made where they are not. */
  private figuresAbout(pattern: number, i: number): Float64Array {
    let table = this.tables.get(pattern)
    if (!table) {
      table = { figures: new Float64Array(this.count * FIGURES), made: new Uint32Array(this.count) }
      this.tables.set(pattern, table)
    }
    if (table.made[i] !== this.now) this.make(pattern, table, i)
    if (table.made[i + 1] !== this.now) this.make(pattern, table, i + 1)
    return table.figures
  }

  private make(pattern: number, { figures, made }: Table, i: number): void {
    const { node } = this
    const y = FROM_DB + i * this.step
    if (this.derived) this.exact.at(pattern, y, node)
    else this.exact.levelAt(pattern, y, node)
    made[i] = this.now
    keep(node, figures, i * FIGURES)
  }
}

function keep(c: ChanceAt, into: Float64Array, at: number): void {
  into[at] = c.log
  into[at + 1] = c.y
  into[at + 2] = c.yy
  into[at + 3] = c.a
  into[at + 4] = c.ya
  into[at + 5] = c.b
  into[at + 6] = c.yb
  into[at + 7] = c.aa
  into[at + 8] = c.ab
  into[at + 9] = c.bb
}
