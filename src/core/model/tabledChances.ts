import { noChance, type ChanceAt } from './chanceAt'
import type { Chances } from './chances'
import type { Spreads } from './priors'

/**
 * Levels at which a pattern's chance is worked out: so far apart at the most, dB, and as a share of a call's spread;
 * twice as far where no cut is asked about.
 */
const STEP_DB = 1.4
const STEP_SHARE = 0.35
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
 * worked out at levels evenly apart, once it is needed, and read by cubics between them (Hermite's), or by one quintic
 * where the level alone is asked about. Next to a quadratic, which the logarithm nearly is, these err by less than a
 * ten-thousandth.
 */
export class TabledChances implements Pick<
  Chances,
  'set' | 'at' | 'levelAt' | 'lnAt' | 'cutBelow' | 'cutAbove'
> {
  private tables: Table[] = []
  private readonly node = noChance()
  private readonly out = noChance()
  private readonly cubic = new Cubic()
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
    const step = (derive ? 1 : 2) * Math.max(0.1, Math.min(STEP_DB, STEP_SHARE * spreads.callDb))
    const count = Math.ceil((TO_DB - FROM_DB) / step) + 1
    if (count > this.count) this.tables = []
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
    const { cubic } = this
    cubic.between(place - i, this.step)
    cubic.read(figures, p, q)
    out.log = cubic.value
    cubic.read(figures, p + 1, q + 1)
    out.y = cubic.value
    out.yy = cubic.slope
    cubic.read(figures, p + 3, q + 3)
    out.a = cubic.value
    out.ya = cubic.slope
    cubic.read(figures, p + 5, q + 5)
    out.b = cubic.value
    out.yb = cubic.slope
    const t = place - i
    out.aa = figures[p + 7]! + t * (figures[q + 7]! - figures[p + 7]!)
    out.ab = figures[p + 8]! + t * (figures[q + 8]! - figures[p + 8]!)
    out.bb = figures[p + 9]! + t * (figures[q + 9]! - figures[p + 9]!)
  }

  levelAt(pattern: number, y: number, out: ChanceAt): void {
    const place = (y - FROM_DB) / this.step
    const i = Math.floor(place)
    if (!(i >= 0 && i + 1 < this.count)) return this.exact.levelAt(pattern, y, out)
    quintic(this.figuresAbout(pattern, i), i * FIGURES, place - i, this.step, out)
  }

  lnAt(pattern: number, y: number): number {
    this.levelAt(pattern, y, this.out)
    return this.out.log
  }

  /** A pattern's figures, those at a level and at the next made where they are not. */
  private figuresAbout(pattern: number, i: number): Float64Array {
    const table = (this.tables[pattern] ??= {
      figures: new Float64Array(this.count * FIGURES),
      made: new Uint32Array(this.count),
    })
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

/**
 * Reads figures and their slopes between two levels from the figures and slopes at both, which follow them in the table
 * (Hermite's cubic).
 */
class Cubic {
  value = 0
  slope = 0
  // What the rise between the levels and the slopes at both weigh in the value, and in its slope.
  private rise = 0
  private before = 0
  private after = 0
  private riseOfSlope = 0
  private beforeOfSlope = 0
  private afterOfSlope = 0

  /** @param t how far from the lower to the upper level, 0 to 1 @param step dB between them */
  between(t: number, step: number): void {
    const u = 1 - t
    this.rise = t * t * (3 - 2 * t)
    this.before = t * u * step * u
    this.after = -t * u * step * t
    this.riseOfSlope = (6 * t * u) / step
    this.beforeOfSlope = u * (1 - 3 * t)
    this.afterOfSlope = t * (3 * t - 2)
  }

  /** @param p of the figure at the lower level @param q at the upper */
  read(figures: Float64Array, p: number, q: number): void {
    const from = figures[p]!
    const by = figures[q]! - from
    const before = figures[p + 1]!
    const after = figures[q + 1]!
    this.value = from + this.rise * by + this.before * before + this.after * after
    this.slope = this.riseOfSlope * by + this.beforeOfSlope * before + this.afterOfSlope * after
  }
}

/**
 * Reads the logarithm between two levels, and its derivatives by the level, from what all three are at both (Hermite's
 * quintic).
 * @param p of the figures at the lower level @param t how far from it to the next, 0 to 1 @param step dB between them
 */
function quintic(figures: Float64Array, p: number, t: number, step: number, out: ChanceAt): void {
  const q = p + FIGURES
  const c0 = figures[p]!
  const c1 = figures[p + 1]! * step
  const bend = figures[p + 2]! * step * step
  const c2 = bend / 2
  // What the parabola from the lower level lacks at the upper: of the value, the slope and the bend.
  const value = figures[q]! - c0 - c1 - c2
  const slope = figures[q + 1]! * step - c1 - bend
  const more = figures[q + 2]! * step * step - bend
  const c3 = 10 * value - 4 * slope + more / 2
  const c4 = -15 * value + 7 * slope - more
  const c5 = 6 * value - 3 * slope + more / 2
  out.log = c0 + t * (c1 + t * (c2 + t * (c3 + t * (c4 + t * c5))))
  out.y = (c1 + t * (2 * c2 + t * (3 * c3 + t * (4 * c4 + t * 5 * c5)))) / step
  out.yy = (2 * c2 + t * (6 * c3 + t * (12 * c4 + t * 20 * c5))) / (step * step)
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
