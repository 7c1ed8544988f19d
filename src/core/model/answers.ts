import { filled } from '@/core/stats/numeric/filled'
import { sortedQuantile } from '@/core/stats/numeric/sortedQuantile'
import { Fall } from './fall'
import type { ModelFit } from './fit'
import { nought } from './nought'
import type { Spreads } from './priors'
import { copyCurves, cutAsked, type CopyCurve, type ModelRule } from './margins'
import type { Draw } from './points'

/** What the draws say of one figure. */
export interface Posterior {
  mean: number
  sd: number
  /** The 2.5, 5, 25, 50, 75, 95 and 97.5 % points. */
  q025: number
  q05: number
  q25: number
  q50: number
  q75: number
  q95: number
  q975: number
  /** The chance that it is above nought. */
  above: number
}

/** Sums a figure up over all draws. @param values one for each draw */
export function posteriorOf(fit: ModelFit, values: ArrayLike<number>): Posterior {
  const n = fit.draws.length
  const sorted = new Float64Array(values).sort()
  let [mean, square, above] = [0, 0, 0]
  for (const v of sorted) {
    mean += v / n
    if (v > 0) above += 1 / n
  }
  for (const v of sorted) square += (v - mean) ** 2 / n
  const at = (p: number) => sortedQuantile(sorted, p)
  return {
    mean,
    sd: Math.sqrt(square),
    q025: at(0.025),
    q05: at(0.05),
    q25: at(0.25),
    q50: at(0.5),
    q75: at(0.75),
    q95: at(0.95),
    q975: at(0.975),
    above,
  }
}

/** A figure of every draw, in turn. */
export const eachDraw = ({ draws }: Pick<ModelFit, 'draws'>, of: (draw: Draw, i: number) => number) =>
  filled(draws.length, (i) => of(draws[i]!, i))

/** The mean of a figure over all draws. */
export function meanOf(fit: ModelFit, of: (draw: Draw) => number): number {
  return fit.draws.reduce((sum, d) => sum + of(d), 0) / fit.draws.length
}

/** The chance of something, by the draws in which it is so. */
export function chanceOf(fit: ModelFit, so: (draw: number) => boolean): number {
  return fit.draws.reduce((n, _, i) => (so(i) ? n + 1 : n), 0) / fit.draws.length
}

/** The middle of what the draws say of one of the spreads, in its own unit. */
export const spreadOf = (fit: ModelFit, key: keyof Spreads): number =>
  posteriorOf(
    fit,
    fit.draws.map((d) => fit.points[d.point]!.spreads[key]),
  ).q50

/** How strong a link is at a listener against the others, known terms taken out (evened) or left in, dB, by draw. */
function linkLevels(fit: ModelFit, link: number, listener: number, known: boolean): Float64Array {
  const { layout, at } = fit.field
  const taken = known ? fit.data.input.knownDb[link]![listener]! : 0
  return eachDraw(
    fit,
    ({ x }) =>
      taken +
      x[at + layout.link[link]!]! +
      (layout.linkAt.length > 0 ? x[at + layout.linkAt[link]![listener]!]! : 0),
  )
}

/**
 * Link a less link b, dB, by draw.
 * @param listeners one, or several whose mean is taken
 */
export function differenceDraws(
  fit: ModelFit,
  a: number,
  b: number,
  listeners: readonly number[],
  known = false,
): Float64Array {
  const out = new Float64Array(fit.draws.length)
  for (const d of listeners) {
    const [p, q] = [linkLevels(fit, a, d, known), linkLevels(fit, b, d, known)]
    for (let i = 0; i < out.length; i++) out[i]! += (p[i]! - q[i]!) / listeners.length
  }
  return out
}

/**
 * The mean slope n between the nearest and the farthest mark, by draw: the level falls by 10 n dB a decade, and at once
 * at a step.
 */
export function slopeDraws(fit: ModelFit): Float64Array {
  const lgs = fit.data.distanceM.map(Math.log10)
  const [near, far] = [Math.min(...lgs), Math.max(...lgs)]
  const fall = new Fall(fit)
  return eachDraw(fit, (_, i) => fall.slope(i, near, far))
}

/** One of the input's terms by draw, dB for a factor of one. */
export function termDraws(fit: ModelFit, term: number): Float64Array {
  const { layout, at } = fit.field
  return eachDraw(fit, ({ x }) => x[at + layout.term[term]!]!)
}

/** A listener's k-th cut by draw, dB. @param k from 1 */
export function cutDraws(fit: ModelFit, listener: number, k: number): Float64Array {
  const first = fit.field.at + fit.field.layout.cut[listener]!
  return eachDraw(fit, ({ x }) => {
    let sum = 0
    for (let j = 0; j < k; j++) sum += x[first + j]!
    return sum
  })
}

/** Level of a link at a listener at the middle distance, all known terms in it, dB, by draw. */
export function levelDraws(fit: ModelFit, link: number, listener: number): Float64Array {
  const { layout, at } = fit.field
  const own = linkLevels(fit, link, listener, true)
  return eachDraw(fit, ({ x }, i) => own[i]! + x[at + layout.level[listener]!]!)
}

/** Margin of a link at the middle distance over the rule's cut at a listener, dB by draw, all known terms in it. */
function marginDraws(fit: ModelFit, link: number, listener: number, rule: ModelRule): Float64Array {
  const cut = cutDraws(fit, listener, cutAsked(fit.data.input.listeners[listener]!, rule))
  return levelDraws(fit, link, listener).map((level, i) => level - cut[i]!)
}

/** What reaches under a rule are read from, worked out once for all links and chances. */
export class Reaches {
  private readonly curves: CopyCurve[][]
  readonly fall: Fall
  private readonly margins = new Map<string, Float64Array>()
  private readonly needed = new Map<string, number[]>()
  private readonly read = new Map<string, Float64Array>()

  /** @param rules by listener */
  constructor(
    private readonly fit: ModelFit,
    private readonly rules: readonly ModelRule[],
  ) {
    this.curves = rules.map((r, d) => copyCurves(fit, d, r))
    this.fall = new Fall(fit)
  }

  private margin(link: number, listener: number): Float64Array {
    const key = `${link} ${listener}`
    const made = this.margins.get(key) ?? marginDraws(this.fit, link, listener, this.rules[listener]!)
    this.margins.set(key, made)
    return made
  }

  private once(key: string, make: () => Float64Array): Float64Array {
    const made = this.read.get(key) ?? make()
    this.read.set(key, made)
    return made
  }

  private neededFor(listener: number, p: number): number[] {
    const key = `${listener} ${p}`
    const made = this.needed.get(key) ?? this.curves[listener]!.map((c) => c.marginFor(p))
    this.needed.set(key, made)
    return made
  }

  /**
   * lg of the reach in m, by draw: how far out the chance of a copy over places like this is still p.
   * @param p above 0 and below 1
   */
  oneWay(link: number, listener: number, p: number): Float64Array {
    return this.once(`${link} ${listener} ${p}`, () => {
      const margin = this.margin(link, listener)
      const needed = this.neededFor(listener, p)
      return eachDraw(this.fit, ({ point }, i) => this.fall.where(i, margin[i]! - needed[point]!))
    })
  }

  /**
   * lg of the reach in m both ways together, by draw: how far out a copy at both listeners is had at one place with
   * chance p. The place is the same both ways, so its ground and what the link has of its own are.
   */
  bothWays(link: number, p: number): Float64Array {
    return this.once(`${link} both ${p}`, () => this.together(link, p))
  }

  private together(link: number, p: number): Float64Array {
    const [a, b] = [0, 1].map((d) => this.margin(link, d)) as [Float64Array, Float64Array]
    const [far, back] = [0, 1].map((d) => this.oneWay(link, d, p)) as [Float64Array, Float64Array]
    return this.solved((point, i) => {
      const one = this.curves[0]![point]!
      const other = this.curves[1]![point]!
      const over = (lg: number) => {
        const lost = this.fall.to(i, lg)
        return one.together(a[i]! - lost, other, b[i]! - lost) - p
      }
      // Never farther than the shorter of the two.
      const shorter = Math.min(far[i]!, back[i]!)
      return nought(over, shorter, (0.3 * one.placeDb) / this.fall.at(i, shorter))
    })
  }

  /** What has to be sought for each draw; those that are one draw more than once follow one another. */
  private solved(of: (point: number, i: number) => number): Float64Array {
    const { draws } = this.fit
    let last = NaN
    return eachDraw(this.fit, (draw, i) => (last = i > 0 && draw === draws[i - 1] ? last : of(draw.point, i)))
  }

  /**
   * lg of the reach in m from one handset to another by way of a relay, both as far from it, by draw: getting in times
   * getting out. The two stand in different places, so their ground is not shared.
   */
  throughRelay(link: number, p: number): Float64Array {
    const ways = [0, 1].map((d) => ({ margin: this.margin(link, d), far: this.oneWay(link, d, p), d }))
    return this.solved((point, i) => {
      const over = (lg: number) =>
        ways.reduce(
          (c, { margin, d }) => c * this.curves[d]![point]!.overPlaces(margin[i]! - this.fall.to(i, lg)),
          1,
        ) - p
      const shorter = Math.min(ways[0]!.far[i]!, ways[1]!.far[i]!)
      return nought(over, shorter, (0.3 * this.curves[0]![point]!.placeDb) / this.fall.at(i, shorter))
    })
  }
}

/** Mean of the ground at some places, dB, by draw. @param places in the order of the fit's marks */
export function groundMean(fit: ModelFit, places: readonly number[]): Float64Array {
  const owns = fit.data.ownMark.length
  return eachDraw(fit, ({ x }) => {
    let sum = 0
    for (const at of places) sum += x[owns + at]!
    return sum / places.length
  })
}
