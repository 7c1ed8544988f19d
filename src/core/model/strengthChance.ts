import type { Part } from './callParts'
import { LEAST, LN_LEAST, none, type ChanceAt } from './chanceAt'
import type { StepTable, StrengthNodes } from './nodes'

/** The node nearest to a level. */
const nearestTo = ({ from, step, n }: StrengthNodes, y: number) =>
  Math.max(0, Math.min(n - 1, Math.round((y - from) / step)))

/** ln of the higher of the parts' densities so far off. */
function highest(parts: readonly Part[], off: number): number {
  let top = -Infinity
  for (const { width, lnHeight } of parts) top = Math.max(top, lnHeight - 0.5 * (off / width) ** 2)
  return top
}

/**
 * A part's normal density about a level, over exp(top), walked outwards from the node nearest to the level. From node
 * to node it follows by two multiplications, so that a report costs a handful of exponentials; it ends where it no
 * longer tells.
 */
class Walk {
  private height = 0
  private up = 0
  private down = 0
  /** The density at the first node of a side, what it is multiplied by to the next, and what that is multiplied by. */
  first = 0
  ratio = 0
  fall = 0

  /** @param off the nearest node less the level, dB */
  begin(step: number, off: number, { width, lnHeight }: Part, top: number): void {
    const v = 1 / (width * width)
    this.height = Math.exp(lnHeight - 0.5 * off * off * v - top)
    this.fall = Math.exp(-step * step * v)
    const half = Math.sqrt(this.fall)
    const lean = Math.exp(-off * step * v)
    this.up = half * lean
    this.down = half / lean
  }

  /** Sets out: upwards from the nearest node, or downwards from the one below it. @returns how far off that lies, in steps */
  toSide(side: number): number {
    this.first = side > 0 ? this.height : this.height * this.down
    this.ratio = side > 0 ? this.up : this.down * this.fall
    return side > 0 ? 0 : -1
  }
}

/** A density that has fallen so far below the highest adds nothing to a sum. */
const NO_MORE = 1e-16

/** The chances of reports with a strength: sums of a call's density times what is read at each level. */
export class StrengthChance {
  private readonly walk = new Walk()
  private readonly sums = { p: 0, py: 0, pyy: 0 }
  private parts: readonly Part[] = []
  private heard = 1
  /** The node nearest to the level that is looked at, how far off it lies, dB, and ln of the highest density there. */
  private near = 0
  private off = 0
  private top = 0

  /** Fixes the spread from call to call, and the share of calls that are not missed whatever the level. */
  set(parts: readonly Part[], heard: number): void {
    this.parts = parts
    this.heard = heard
  }

  private look(nodes: StrengthNodes, y: number): void {
    this.near = nearestTo(nodes, y)
    this.off = nodes.from + this.near * nodes.step - y
    this.top = highest(this.parts, this.off)
  }

  /** Sums a part's chance and its derivatives by the level up into {@link sums}; the walk has begun. */
  private sumUp({ step, n }: StrengthNodes, value: Float64Array, { width }: Part): void {
    const { near, off, walk, sums } = this
    // Over the nodes, times how many steps each lies from the nearest, and times its square.
    let s = 0
    let sk = 0
    let skk = 0
    for (let side = 1; side >= -1; side -= 2) {
      let k = walk.toSide(side)
      let d = walk.first
      let ratio = walk.ratio
      for (let i = near + k; i >= 0 && i < n && d > NO_MORE; i += side, k += side) {
        const f = d * value[i]!
        s += f
        sk += k * f
        skk += k * k * f
        d *= ratio
        ratio *= walk.fall
      }
    }
    const v = 1 / (width * width)
    sums.p = s
    sums.py = v * (off * s + step * sk)
    sums.pyy = v * v * (off * off * s + 2 * off * step * sk + step * step * skk) - v * s
  }

  /** ln of the chance at a level and its derivatives, written into `out`. */
  at(nodes: StrengthNodes, { value, a, b, aa, bb }: StepTable, y: number, out: ChanceAt): void {
    const { step, n } = nodes
    this.look(nodes, y)
    const { near, off, top, walk, sums } = this
    let p = 0
    let py = 0
    let pyy = 0
    let pa = 0
    let pb = 0
    let pya = 0
    let pyb = 0
    let paa = 0
    let pbb = 0
    for (const part of this.parts) {
      walk.begin(step, off, part, top)
      this.sumUp(nodes, value, part)
      let sa = 0
      let sak = 0
      let sb = 0
      let sbk = 0
      for (let side = 1; side >= -1; side -= 2) {
        let k = walk.toSide(side)
        let d = walk.first
        let ratio = walk.ratio
        for (let i = near + k; i >= 0 && i < n && d > NO_MORE; i += side, k += side) {
          const fa = d * a[i]!
          const fb = d * b[i]!
          sa += fa
          sak += k * fa
          sb += fb
          sbk += k * fb
          paa += d * aa[i]!
          pbb += d * bb[i]!
          d *= ratio
          ratio *= walk.fall
        }
      }
      const v = 1 / (part.width * part.width)
      p += sums.p
      py += sums.py
      pyy += sums.pyy
      pa += sa
      pb += sb
      pya += v * (off * sa + step * sak)
      pyb += v * (off * sb + step * sbk)
    }
    if (p < LEAST) return none(out)
    out.log = Math.log(this.heard * p) + top
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

  /** ln of the chance and its derivatives by the level alone. */
  levelAt(nodes: StrengthNodes, { value }: StepTable, y: number, out: ChanceAt): void {
    this.look(nodes, y)
    const { off, top, walk, sums } = this
    let p = 0
    let py = 0
    let pyy = 0
    for (const part of this.parts) {
      walk.begin(nodes.step, off, part, top)
      this.sumUp(nodes, value, part)
      p += sums.p
      py += sums.py
      pyy += sums.pyy
    }
    if (p < LEAST) return none(out)
    out.log = Math.log(this.heard * p) + top
    out.y = py / p
    out.yy = pyy / p - out.y * out.y
  }

  /** ln of the chance alone. */
  lnAt(nodes: StrengthNodes, { value }: StepTable, y: number): number {
    this.look(nodes, y)
    const { near, off, top } = this
    const { walk } = this
    const { step, n } = nodes
    let p = 0
    for (const part of this.parts) {
      walk.begin(step, off, part, top)
      for (let side = 1; side >= -1; side -= 2) {
        let i = near + walk.toSide(side)
        let d = walk.first
        let ratio = walk.ratio
        for (; i >= 0 && i < n && d > NO_MORE; i += side) {
          p += d * value[i]!
          d *= ratio
          ratio *= walk.fall
        }
      }
    }
    return p < LEAST ? LN_LEAST : Math.log(this.heard * p) + top
  }
}
