import { once } from '@/core/onceEach'
import { beginRefit, type RefitSettings } from '@/core/model/refit'
import type { Reach } from '@/core/reach/reach'
import { MOST_PLACES } from '../joint/modelPlaces'
import { isCopiedBy, type FindingsInput, type ReadCheck } from '../input'
import { jointDifference, type JointFit } from '../joint/jointFit'
import type { JudgedPair } from '../compare/verdict'

/** A copy far beyond all others of its link, from a hilltop perhaps, that decides a figure alone. */
export interface LoneContact {
  kind: 'lone contact'
  linkId: string
  markId: string
  /** The usable reach with it and without it. */
  reach: Reach
  without: Reach
  /** Pairs that are called better and would not be without it. */
  lost: { a: string; b: string }[]
}

/** So many marks nearer than it, and beyond all other copies, were tried and not copied. */
const MIN_BETWEEN = 2
/** A figure that changes by less than this factor is not decided by it. */
const MIN_FACTOR = 1.15
/** By a rough fit one that changes by less than this surely is not, nor a verdict that stays as sure as this. */
const SURELY_LESS = 1.05
const SURELY_STILL = 0.99
const ROUGHLY: RefitSettings = { draws: 200, points: 40, least: 8 }

/** Each link's copy beyond marks at which it was not copied. */
function farContacts(
  input: FindingsInput,
  checks: readonly ReadCheck[],
): { linkId: string; markId: string }[] {
  const distanceOf = new Map(input.marks.map((m) => [m.id, m.distanceM]))
  return input.links.flatMap(({ id: linkId }) => {
    const copied = new Map<string, boolean>()
    for (const c of checks) {
      const is = c.linkId === linkId ? isCopiedBy(input, c) : null
      if (is !== null && distanceOf.has(c.markId)) copied.set(c.markId, is || copied.get(c.markId) === true)
    }
    const outwards = [...copied].sort((a, b) => distanceOf.get(a[0])! - distanceOf.get(b[0])!)
    const last = outwards.findLastIndex(([, is]) => is)
    const before = outwards.slice(0, Math.max(0, last)).findLastIndex(([, is]) => is)
    return before >= 0 && last - before > MIN_BETWEEN ? [{ linkId, markId: outwards[last]![0] }] : []
  })
}

/** Fits of a log without one link's reports of one mark; each is made once. */
export class Without {
  private readonly begun = new Map<string, () => JointFit>()
  private readonly ahead = new Map<JointFit, Map<string, number>>()

  constructor(private readonly joint: JointFit) {}

  /**
   * @param settings how thorough it is to be; as thorough as any fit where they are left out
   * @returns what waits for it
   */
  of(link: number, markId: string, settings?: RefitSettings): () => JointFit {
    const key = `${link} ${markId} ${settings ? 'roughly' : ''}`
    const known = this.begun.get(key)
    if (known) return known
    const { input, fit } = this.joint
    const reports = input.model.reports.filter((r, i) => r.link !== link || input.markOf[i] !== markId)
    const fitted = beginRefit(fit, { ...input.model, reports }, settings)
    const begun = once(() => ({ input, fit: fitted() }))
    this.begun.set(key, begun)
    return begun
  }

  /** The chance that one link is ahead of another by such a fit. */
  aheadIn(fit: JointFit, input: FindingsInput, a: string, b: string): number {
    let known = this.ahead.get(fit)
    if (!known) this.ahead.set(fit, (known = new Map()))
    const key = `${a} ${b}`
    const above =
      known.get(key) ?? jointDifference(input, fit, a, b, input.directions)?.difference.above ?? 0.5
    known.set(key, above)
    return above
  }
}

/**
 * Far contacts that decide a reach or a verdict alone.
 * @param usableIn the usable reach of a link at the chance that is wanted, by a fit
 */
export function loneContacts(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit,
  without: Without,
  judged: readonly JudgedPair[],
  usableIn: (fit: JointFit, link: number) => Reach,
): LoneContact[] {
  // One of the many marks of a log that wrote itself down decides nothing.
  if (joint.input.onePlace || input.marks.length > MOST_PLACES) return []
  const far = farContacts(input, checks).map(({ linkId, markId }) => {
    const link = input.links.findIndex((l) => l.id === linkId)
    return { linkId, markId, link, roughly: without.of(link, markId, ROUGHLY) }
  })
  return far.flatMap(({ linkId, markId, link, roughly }): LoneContact[] => {
    const reach = usableIn(joint, link)
    const verdicts = judged.flatMap(({ a, b, scope, verdict }) => {
      const whole = scope === 'both' || input.directions.length === 1
      if (!whole || verdict.kind !== 'better' || (a !== linkId && b !== linkId)) return []
      return [{ a, b, which: verdict.which }]
    })
    const decides = (rest: JointFit, factor: number, sure: number) => {
      const less = usableIn(rest, link)
      const by = Math.abs(Math.log((reach.estimateM ?? Infinity) / (less.estimateM ?? Infinity)))
      const lost = verdicts.flatMap(({ a, b, which }) => {
        const above = without.aheadIn(rest, input, a, b)
        const still = which === 'a' ? above : 1 - above
        return still > sure ? [] : [{ a, b }]
      })
      return by > Math.log(factor) || lost.length > 0 ? { without: less, lost } : null
    }
    // Most decide nothing, which fewer draws tell in half the time.
    if (!decides(roughly(), SURELY_LESS, SURELY_STILL)) return []
    const found = decides(without.of(link, markId)(), MIN_FACTOR, 0.975)
    return found ? [{ kind: 'lone contact', linkId, markId, reach, ...found }] : []
  })
}
