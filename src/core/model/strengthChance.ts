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
 * A part's normal density about a level at all nodes, over exp(top), outwards from the node nearest to the level. From
 * node to node it follows by two multiplications, so that a report costs a handful of exponentials.
 * @param off the nearest node less the level, dB
 */
function densities(
  { step, n }: StrengthNodes,
  near: number,
  off: number,
  { width, lnHeight }: Part,
  top: number,
  into: Float64Array,
): void {
  const v = 1 / (width * width)
  const fall = Math.exp(-step * step * v)
  const height = Math.exp(lnHeight - 0.5 * off * off * v - top)
  let density = height
  let ratio = Math.exp(-0.5 * (2 * off * step + step * step) * v)
  for (let i = near; i < n; i++) {
    into[i] = density
    density *= ratio
    ratio *= fall
  }
  ratio = Math.exp(-0.5 * (step * step - 2 * off * step) * v)
  density = height
  for (let i = near - 1; i >= 0; i--) {
    density *= ratio
    ratio *= fall
    into[i] = density
  }
}

/** The chances of reports with a strength: sums of a call's density times what is read at each level. */
export class StrengthChance {
  private density: Float64Array
  private parts: readonly Part[] = []
  private heard = 1
  /** The node nearest to the level that is looked at, how far off it lies, dB, and ln of the highest density there. */
  private near = 0
  private off = 0
  private top = 0

  /** @param mostNodes of any strength that is asked for */
  constructor(mostNodes: number) {
    this.density = new Float64Array(mostNodes)
  }

  /** Strengths of more nodes are asked for than before. */
  atMost(nodes: number): void {
    if (nodes > this.density.length) this.density = new Float64Array(nodes)
  }

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

  /** ln of the chance at a level and its derivatives, written into `out`. */
  at(nodes: StrengthNodes, { value, a, b, aa, bb }: StepTable, y: number, out: ChanceAt): void {
    const { density } = this
    const { step, n } = nodes
    this.look(nodes, y)
    const { near, off, top } = this
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
      densities(nodes, near, off, part, top, density)
      const v = 1 / (part.width * part.width)
      for (let i = 0; i < n; i++) {
        const u = (off + (i - near) * step) * v
        const d = density[i]!
        const f = d * value[i]!
        const fa = d * a[i]!
        const fb = d * b[i]!
        p += f
        py += u * f
        pyy += (u * u - v) * f
        pa += fa
        pb += fb
        pya += u * fa
        pyb += u * fb
        paa += d * aa[i]!
        pbb += d * bb[i]!
      }
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
    const { density } = this
    const { step, n } = nodes
    this.look(nodes, y)
    const { near, off, top } = this
    let p = 0
    let py = 0
    let pyy = 0
    for (const part of this.parts) {
      densities(nodes, near, off, part, top, density)
      const v = 1 / (part.width * part.width)
      for (let i = 0; i < n; i++) {
        const u = (off + (i - near) * step) * v
        const f = density[i]! * value[i]!
        p += f
        py += u * f
        pyy += (u * u - v) * f
      }
    }
    if (p < LEAST) return none(out)
    out.log = Math.log(this.heard * p) + top
    out.y = py / p
    out.yy = pyy / p - out.y * out.y
  }

  /** ln of the chance alone. */
  lnAt(nodes: StrengthNodes, { value }: StepTable, y: number): number {
    const { density } = this
    this.look(nodes, y)
    const { near, off, top } = this
    let p = 0
    for (const part of this.parts) {
      densities(nodes, near, off, part, top, density)
      for (let i = 0; i < nodes.n; i++) p += density[i]! * value[i]!
    }
    return p < LEAST ? LN_LEAST : Math.log(this.heard * p) + top
  }
}
