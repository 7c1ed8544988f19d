import { groupedBy } from '@/core/groupedBy'
import { countedBy } from '../numeric/countedBy'
import { quickNormalCdf as normalCdf } from '../numeric/quickNormalCdf'

/** One listener's report from one mark: a bounded step in dB, or not heard. */
export type HeardOrNot =
  { link: number; heard: true; lower: number; upper: number } | { link: number; heard: false }

const GRID_STEP = 2
/** Of more marks than this one in so many is looked at: these tell the edge far closer than it matters. */
const ENOUGH_MARKS = 120
/** So many spreads beside a step a level no longer counts for it. */
const SPREADS_FAR = 5

/** Marks whose reports are the same. */
interface Kind {
  /** By report, among {@link HeardMarks.links}. */
  link: number[]
  /** By report, among all steps; -1 for not heard. */
  step: number[]
  /** Which links were tried, among all that are alike in it. */
  tried: number
  times: number
}

/**
 * Reports of one listener by mark, and how likely they are under a threshold. Steps are few and marks are many: what
 * a step of a link says is worked out once at each level, and kept while link and spread stay.
 */
export class HeardMarks {
  /** The upper edge of the lowest step that was heard, dB. */
  readonly lowest: number
  /** In the order of their first report. */
  readonly links: readonly number[]
  private readonly steps: { lower: number; upper: number }[]
  private readonly kinds: Kind[]
  private readonly triedTogether: number[][]
  /** Steps of links that occur, as step * links + link. */
  private readonly occurring: number[]
  private readonly first: number
  private readonly levels: number
  /** P(not heard) by link, and P(step) by what occurs, at each level. */
  private readonly unheard: Float64Array[]
  private readonly said: Float64Array[]
  /** What the chances of {@link said} were worked out for. */
  private readonly saidOffset: Float64Array
  private readonly saidSpread: Float64Array
  /** ln P(any link heard) by {@link triedTogether}, and ln P(heard) by step. */
  private readonly lnAny: Float64Array
  private readonly lnHeard: Float64Array

  /** @param marks reports by mark, of which some were heard */
  constructor(marks: readonly (readonly HeardOrNot[])[]) {
    const all = marks.flat()
    const heard = all.flatMap((r) => (r.heard ? [r] : []))
    const links = [...new Set(all.map((r) => r.link))]
    const steps = [...groupedBy(heard, stepName).values()].map(([r]) => ({
      lower: r!.lower,
      upper: r!.upper,
    }))
    const stepAt = new Map(steps.map((s, i) => [stepName(s), i]))
    const telling = marks.filter((m) => m.some((r) => r.heard) && m.length > 1)
    const one = Math.ceil(telling.length / ENOUGH_MARKS)
    const alike = kindsOf(telling.filter((_, i) => i % one === 0))
    const triedBy = (mark: readonly HeardOrNot[]) => mark.map((r) => r.link).join(' ')
    const together = [...groupedBy(alike, ({ mark }) => triedBy(mark))]
    const togetherAt = new Map(together.map(([tried], i) => [tried, i]))
    const linkOf = (r: HeardOrNot) => links.indexOf(r.link)
    this.triedTogether = together.map(([, [kind]]) => kind!.mark.map(linkOf))
    this.kinds = alike.map(({ mark, times }) => ({
      link: mark.map(linkOf),
      step: mark.map((r) => (r.heard ? stepAt.get(stepName(r))! : -1)),
      tried: togetherAt.get(triedBy(mark))!,
      times,
    }))
    this.occurring = [
      ...new Set(
        this.kinds.flatMap(({ link, step }) =>
          step.flatMap((s, i) => (s < 0 ? [] : [s * links.length + link[i]!])),
        ),
      ),
    ]
    this.lowest = Math.min(...heard.map((r) => r.upper))
    this.first = Math.min(...heard.map((r) => r.lower)) - 30
    const last = Math.max(...heard.map((r) => r.upper)) + 15
    this.levels = Math.ceil((last - this.first) / GRID_STEP) + 1
    const perLevel = (n: number) => Array.from({ length: n }, () => new Float64Array(this.levels))
    const combinations = steps.length * links.length
    this.links = links
    this.steps = steps
    this.unheard = perLevel(links.length)
    this.said = perLevel(combinations)
    this.saidOffset = new Float64Array(combinations).fill(NaN)
    this.saidSpread = new Float64Array(combinations).fill(NaN)
    this.lnAny = new Float64Array(this.triedTogether.length)
    this.lnHeard = new Float64Array(steps.length)
  }

  /**
   * ln of the chance of all reports, each mark's level flat and integrated out, given that any was heard there.
   * @param offsets of each link against the first, dB, that one's being nought
   * @param spread of a link at a mark about its offset, dB
   */
  lnLikelihood(threshold: number, soft: number, spread: number, offsets: Float64Array): number {
    this.fillUnheard(threshold, Math.hypot(soft, spread), offsets)
    this.fillSaid(spread, offsets)
    this.steps.forEach(({ lower, upper }, i) => {
      this.lnHeard[i] = Math.log(normalCdf(((lower + upper) / 2 - threshold) / soft) + 1e-300)
    })
    let sum = 0
    for (const kind of this.kinds) {
      let told = Math.log(this.integral(kind, spread, offsets) + 1e-300) - this.lnAny[kind.tried]!
      for (const step of kind.step) if (step >= 0) told += this.lnHeard[step]!
      sum += kind.times * told
    }
    return sum
  }

  private fillUnheard(threshold: number, wide: number, offsets: Float64Array): void {
    const { first, levels, unheard } = this
    for (let k = 0; k < unheard.length; k++) {
      const chances = unheard[k]!
      const offset = offsets[k]!
      for (let j = 0; j < levels; j++)
        chances[j] = normalCdf((threshold - (first + j * GRID_STEP) - offset) / wide)
    }
    for (let t = 0; t < this.triedTogether.length; t++) {
      let all = 0
      for (let j = 0; j < levels; j++) {
        let none = 1
        for (const k of this.triedTogether[t]!) none *= unheard[k]![j]!
        all += 1 - none
      }
      this.lnAny[t] = Math.log(all)
    }
  }

  private fillSaid(spread: number, offsets: Float64Array): void {
    const { first, levels, saidOffset, saidSpread } = this
    for (const at of this.occurring) {
      const offset = offsets[at % this.links.length]!
      if (saidOffset[at] === offset && saidSpread[at] === spread) continue
      saidOffset[at] = offset
      saidSpread[at] = spread
      const { lower, upper } = this.steps[Math.floor(at / this.links.length)]!
      const chances = this.said[at]!
      for (let j = 0; j < levels; j++) {
        const level = first + j * GRID_STEP + offset
        chances[j] = normalCdf((upper - level) / spread) - normalCdf((lower - level) / spread)
      }
    }
  }

  /** The chance of one mark's reports, summed over all levels at which they are not next to impossible. */
  private integral({ link, step }: Kind, spread: number, offsets: Float64Array): number {
    const { first } = this
    let from = 0
    let to = this.levels - 1
    const here: Float64Array[] = []
    for (let i = 0; i < link.length; i++) {
      const [k, s] = [link[i]!, step[i]!]
      if (s < 0) {
        here.push(this.unheard[k]!)
        continue
      }
      here.push(this.said[s * this.links.length + k]!)
      const { lower, upper } = this.steps[s]!
      const offset = offsets[k]!
      from = Math.max(from, Math.ceil((lower - offset - SPREADS_FAR * spread - first) / GRID_STEP))
      to = Math.min(to, Math.floor((upper - offset + SPREADS_FAR * spread - first) / GRID_STEP))
    }
    let sum = 0
    for (let j = from; j <= to; j++) {
      let p = 1
      for (const chances of here) p *= chances[j]!
      sum += p
    }
    return sum
  }
}

const stepName = ({ lower, upper }: { lower: number; upper: number }) => `${lower} ${upper}`

/** Marks whose reports are the same tell the same. */
function kindsOf(marks: readonly (readonly HeardOrNot[])[]) {
  const ordered = marks.map((m) => [...m].sort((a, b) => a.link - b.link))
  return countedBy(ordered, (m) =>
    m.map((r) => (r.heard ? `${r.link} ${stepName(r)}` : `${r.link}`)).join(';'),
  ).map(({ item, times }) => ({ mark: item, times }))
}
