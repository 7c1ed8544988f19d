import { groupedBy } from '@/core/groupedBy'
import { countedBy } from '../numeric/countedBy'
import { minimise } from '../numeric/minimise'
import { quickNormalCdf as normalCdf } from '../numeric/quickNormalCdf'

/** One listener's report from one mark: a bounded step in dB, or not heard. */
export type HeardOrNot =
  { link: number; heard: true; lower: number; upper: number } | { link: number; heard: false }

/**
 * The level at which half of the calls are heard, and how soft that edge is: its own width, and how well it
 * is known, by the curvature of the likelihood, put together.
 */
export interface HearingThreshold {
  thresholdDb: number
  softDb: number
}

const GRID_STEP = 2
/** Of more marks than this one in so many is looked at: these tell the edge far closer than it matters. */
const ENOUGH_MARKS = 120

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
  const links = [...new Set(marks.flat().map((r) => r.link))]
  const steps = [...groupedBy(heard, stepName).values()].map(([r]) => ({ lower: r!.lower, upper: r!.upper }))
  const stepAt = new Map(steps.map((s, i) => [stepName(s), i]))
  const telling = marks.filter((m) => m.some((r) => r.heard) && m.length > 1)
  const one = Math.ceil(telling.length / ENOUGH_MARKS)
  const useful = kindsOf(telling.filter((_, i) => i % one === 0)).map((kind) => ({
    ...kind,
    /** By link and step among all; -1 for not heard. */
    reports: kind.mark.map((r) => ({
      k: links.indexOf(r.link),
      step: r.heard ? stepAt.get(stepName(r))! : -1,
    })),
  }))
  const first = Math.min(...heard.map((r) => r.lower)) - 30
  const last = Math.max(...heard.map((r) => r.upper)) + 15
  const levels = Math.ceil((last - first) / GRID_STEP) + 1

  // Steps are few and marks are many: what a step says at each level is worked out once for a link, and kept
  // while it stays.
  const said = new Map<number, { offset: number; spread: number; chances: Float64Array }>()
  const cost = (x: readonly number[]): number => {
    const [threshold, logSoft, logSpread] = [x[0]!, x[1]!, x[2]!]
    const soft = Math.exp(logSoft)
    const spread = Math.exp(logSpread)
    const wide = Math.hypot(soft, spread)
    const offsets = links.map((_, k) => (k === 0 ? 0 : x[2 + k]!))
    const tables = offsets.map((offset) =>
      Float64Array.from({ length: levels }, (_, j) =>
        normalCdf((threshold - (first + j * GRID_STEP) - offset) / wide),
      ),
    )
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
    const saidBy = (step: number, k: number) => {
      const key = step * links.length + k
      const offset = offsets[k]!
      const old = said.get(key)
      if (old?.offset === offset && old.spread === spread) return old.chances
      const { lower, upper } = steps[step]!
      const chances = new Float64Array(levels)
      for (let j = 0; j < levels; j++) {
        const level = first + j * GRID_STEP + offset
        chances[j] = normalCdf((upper - level) / spread) - normalCdf((lower - level) / spread)
      }
      said.set(key, { offset, spread, chances })
      return chances
    }
    const heardAt = steps.map((s) =>
      Math.log(normalCdf(((s.lower + s.upper) / 2 - threshold) / soft) + 1e-300),
    )
    for (const { mark, reports, tried, times } of useful) {
      let [from, to] = [0, levels - 1]
      for (const { k, step } of reports) {
        if (step < 0) continue
        const { lower, upper } = steps[step]!
        const offset = offsets[k]!
        from = Math.max(from, Math.ceil((lower - offset - 5 * spread - first) / GRID_STEP))
        to = Math.min(to, Math.floor((upper - offset + 5 * spread - first) / GRID_STEP))
      }
      const here = reports.map(({ k, step }) => (step < 0 ? tables[k]! : saidBy(step, k)))
      let top = 0
      for (let j = from; j <= to; j++) {
        let p = 1
        for (const table of here) p *= table[j]!
        top += p
      }
      let told = Math.log(top + 1e-300) - Math.log(anyHeardOf(tried, mark))
      for (const { step } of reports) if (step >= 0) told += heardAt[step]!
      log += times * told
    }
    return -log
  }

  const start = [lowest, Math.log(2.5), Math.log(4), ...links.slice(1).map(() => 0)]
  const firstSteps = [3, 0.4, 0.4, ...links.slice(1).map(() => 3)]
  const { x, value } = minimise(cost, start, firstSteps, 0.05)
  const moved = (by: number) => cost([x[0]! + by, ...x.slice(1)])
  const curve = (moved(1) + moved(-1) - 2 * value) / 1
  return { thresholdDb: x[0]!, softDb: Math.hypot(Math.exp(x[1]!), curve > 0.06 ? 1 / Math.sqrt(curve) : 4) }
}

const stepName = ({ lower, upper }: { lower: number; upper: number }) => `${lower} ${upper}`

/** Marks whose reports are the same tell the same. */
function kindsOf(marks: readonly (readonly HeardOrNot[])[]) {
  const ordered = marks.map((m) => [...m].sort((a, b) => a.link - b.link))
  return countedBy(ordered, (m) =>
    m.map((r) => (r.heard ? `${r.link} ${stepName(r)}` : `${r.link}`)).join(';'),
  ).map(({ item, times }) => ({ mark: item, tried: item.map((r) => r.link).join(' '), times }))
}
