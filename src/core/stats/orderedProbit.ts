import { descend } from './descend'
import { normalCdf, normalPdf, normalQuantile } from './normal'
import type { Interval } from './pairedDifference'

/** Ordered reports of two links from one mark: places on the scale, from nought. */
export interface OrderedMark {
  a: readonly number[]
  b: readonly number[]
}

/** A difference on an ordered scale, in its own ordinary steps. */
export interface OrderedDifference {
  /** A - B, steps of the middle of the scale. */
  steps: number
  interval90: Interval
  interval95: Interval
  chanceAIsBetter: number
  marks: number
}

const MIN = 8
/** Marks' own effect about the middle of the marks, in units of a report's own spread. */
const NODES = Array.from({ length: 25 }, (_, i) => (i - 12) * 0.35)

/**
 * Cumulative probit with an effect of each mark, integrated out by the trapezoid rule (McCullagh 1980; random
 * intercepts): a report's hidden value is mark + link + e, e standard normal, cut at points that are fitted;
 * weak priors ln σ ~ N(ln 2, 0.7) on the marks' spread and N(0, 5) on the difference. What it says is quoted
 * in steps, never in dB.
 * @param levels number of places on the scale, 3 or more
 * @returns null below eight marks with both links, or where all reports are the same
 */
export function orderedProbit(marks: readonly OrderedMark[], levels: number): OrderedDifference | null {
  const told = marks.filter((m) => m.a.length > 0 && m.b.length > 0)
  const used = [...new Set(told.flatMap((m) => [...m.a, ...m.b]))].sort((x, y) => x - y)
  if (told.length < MIN || used.length < 2 || levels < 3) return null
  // Places that nobody gave leave no trace: cut points stand between those that were.
  const at = new Map(used.map((v, i) => [v, i]))
  const cuts = used.length - 1
  const place = (m: OrderedMark) => ({ a: m.a.map((v) => at.get(v)!), b: m.b.map((v) => at.get(v)!) })
  const data = told.map(place)
  const cost = (x: readonly number[]) => {
    const [delta, logSpread] = [x[0]!, x[1]!]
    const spread = Math.exp(logSpread)
    const points = [x[2]!]
    for (let i = 1; i < cuts; i++) points.push(points[i - 1]! + Math.exp(x[2 + i]!))
    const chance = (k: number, mean: number) =>
      (k === cuts ? 1 : normalCdf(points[k]! - mean)) - (k === 0 ? 0 : normalCdf(points[k - 1]! - mean))
    let log = -0.5 * (delta / 5) ** 2 - 0.5 * ((logSpread - Math.log(2)) / 0.7) ** 2
    for (const m of data) {
      let sum = 0
      for (const z of NODES) {
        const s = spread * z
        let p = normalPdf(z)
        for (const k of m.a) p *= chance(k, s + delta / 2)
        for (const k of m.b) p *= chance(k, s - delta / 2)
        sum += p
      }
      log += Math.log(sum + 1e-300)
    }
    return -log
  }
  const start = [0, Math.log(2), -1.5, ...Array.from({ length: cuts - 1 }, () => 0)]
  const found = descend(
    cost,
    start,
    start.map(() => 0.5),
  )
  const { covariance } = found
  if (!covariance) return null
  // An ordinary step is the mean distance of the cut points between which reports lie.
  const gaps = found.x.slice(3).map(Math.exp)
  const step = gaps.length > 0 ? gaps.reduce((s, v) => s + v, 0) / gaps.length : 1
  const se = Math.sqrt(covariance[0]![0]!)
  const [delta] = found.x as [number]
  const interval = (p: number): Interval => {
    const half = normalQuantile(p) * se
    return { low: (delta - half) / step, high: (delta + half) / step }
  }
  return {
    steps: delta / step,
    interval90: interval(0.95),
    interval95: interval(0.975),
    chanceAIsBetter: normalCdf(delta / se),
    marks: told.length,
  }
}
