import { countedBy } from './countedBy'
import { minimise } from './minimise'
import { quickNormalCdf as normalCdf } from './quickNormalCdf'

/** One listener's report from one mark: a bounded step in dB, or not heard. */
export type HeardOrNot =
  { link: number; heard: true; lower: number; upper: number } | { link: number; heard: false }

/**
 * The level at which half of the calls are heard, and how soft that edge is: its own width, and how well it is known, by the
 * curvature of the likelihood, put together.
 */
export interface HearingThreshold {
  thresholdDb: number
  softDb: number
}

const GRID_STEP = 2

/**
 * A listener's hearing threshold and its width, P(heard) = Φ((level - T) / τ), from marks where several links were
 * tried and some were heard: what was heard tells how strong the mark was, what was not tells where hearing ends.
 *
 * Maximum likelihood with each mark's level flat and integrated out, offsets of the links and their spread fitted
 * beside it, and weak priors: T around the lowest step heard with 8 dB, ln τ ~ N(ln 2.5, 0.5), ln σ ~ N(ln 4, 1).
 * A hard threshold at the lowest step was measured to bias differences by about 2 dB.
 * @param marks reports by mark, dB, one listener
 * @returns null when everything was heard or nothing was (no edge to find)
 */
export function hearingThreshold(marks: readonly (readonly HeardOrNot[])[]): HearingThreshold | null {
  const heard = marks.flat().flatMap((r) => (r.heard ? [r] : []))
  if (heard.length === 0 || heard.length === marks.flat().length) return null
  const lowest = Math.min(...heard.map((r) => r.upper))
  const useful = kindsOf(marks.filter((m) => m.some((r) => r.heard) && m.length > 1))
  const links = [...new Set(marks.flat().map((r) => r.link))]
  const first = Math.min(...heard.map((r) => r.lower)) - 30
  const last = Math.max(...heard.map((r) => r.upper)) + 15
  const levels = Math.ceil((last - first) / GRID_STEP) + 1

  const cost = (x: readonly number[]): number => {
    const [threshold, logSoft, logSpread] = [x[0]!, x[1]!, x[2]!]
    const soft = Math.exp(logSoft)
    const spread = Math.exp(logSpread)
    const wide = Math.hypot(soft, spread)
    const tables = links.map((_, k) => {
      const offset = k === 0 ? 0 : x[2 + k]!
      return Float64Array.from({ length: levels }, (_, j) =>
        normalCdf((threshold - (first + j * GRID_STEP) - offset) / wide),
      )
    })
    let log =
      -0.5 * ((threshold - lowest) / 8) ** 2 -
      0.5 * ((logSoft - Math.log(2.5)) / 0.5) ** 2 -
      0.5 * ((logSpread - Math.log(4)) / 1) ** 2
    // The chance that any is heard goes by which links were tried alone.
    const anyHeard = new Map<string, number>()
    const anyHeardOf = (tried: string, mark: readonly HeardOrNot[]) => {
      const old = anyHeard.get(tried)
      if (old !== undefined) return old
      const lost = mark.map((r) => tables[links.indexOf(r.link)]!)
      let all = 0
      for (let j = 0; j < levels; j++) {
        let none = 1
        for (const table of lost) none *= table[j]!
        all += 1 - none
      }
      anyHeard.set(tried, all)
      return all
    }
    for (const { mark, tried, times } of useful) {
      const reports = mark.map((r) => {
        const k = links.indexOf(r.link)
        return { r, table: tables[k]!, offset: k === 0 ? 0 : x[2 + k]! }
      })
      let [from, to] = [0, levels - 1]
      for (const { r, offset } of reports)
        if (r.heard) {
          from = Math.max(from, Math.ceil((r.lower - offset - 5 * spread - first) / GRID_STEP))
          to = Math.min(to, Math.floor((r.upper - offset + 5 * spread - first) / GRID_STEP))
        }
      let top = 0
      for (let j = from; j <= to; j++) {
        let p = 1
        for (const { r, table, offset } of reports) {
          if (!r.heard) p *= table[j]!
          else {
            const level = first + j * GRID_STEP + offset
            p *= normalCdf((r.upper - level) / spread) - normalCdf((r.lower - level) / spread)
          }
        }
        top += p
      }
      let here = Math.log(top + 1e-300) - Math.log(anyHeardOf(tried, mark))
      for (const r of mark)
        if (r.heard) here += Math.log(normalCdf(((r.lower + r.upper) / 2 - threshold) / soft) + 1e-300)
      log += times * here
    }
    return -log
  }

  const start = [lowest, Math.log(2.5), Math.log(4), ...links.slice(1).map(() => 0)]
  const steps = [3, 0.4, 0.4, ...links.slice(1).map(() => 3)]
  const { x, value } = minimise(cost, start, steps, 0.05)
  const moved = (by: number) => cost([x[0]! + by, ...x.slice(1)])
  const curve = (moved(1) + moved(-1) - 2 * value) / 1
  return { thresholdDb: x[0]!, softDb: Math.hypot(Math.exp(x[1]!), curve > 0.06 ? 1 / Math.sqrt(curve) : 4) }
}

/** Marks whose reports are the same tell the same. */
function kindsOf(marks: readonly (readonly HeardOrNot[])[]) {
  const ordered = marks.map((m) => [...m].sort((a, b) => a.link - b.link))
  return countedBy(ordered, (m) =>
    m.map((r) => (r.heard ? `${r.link} ${r.lower} ${r.upper}` : `${r.link}`)).join(';'),
  ).map(({ item, times }) => ({ mark: item, tried: item.map((r) => r.link).join(' '), times }))
}
