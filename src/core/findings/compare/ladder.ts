import type { Link } from '@/core/kit/rig/rig'
import type { Interval } from '@/core/stats/interval'
import { tenths } from '../words/phrases'
import { countText, intervalText } from '@/core/units'
import type { JudgedPair } from './verdict'

/** One step of a ladder: what was changed from one link to the next, at one end. */
export interface LadderStep {
  from: string
  to: string
  end: 'base' | 'out'
  /** What stood there before and after. */
  before: string
  after: string
  /** What stayed at the other end; null where it is the same for all links. */
  beside: string | null
  pair: JudgedPair
  /** -1 where the pair is the other way round. */
  sign: 1 | -1
}

/**
 * The steps from each link to the next in the plan's order that change one end only: base first and then the
 * car, watt by watt, metre by metre. Links that change both ends at once are no step.
 * @param pairs of one scope
 * @returns empty where one end only was changed, which the comparisons already say
 */
export function ladderOf(links: readonly Link[], pairs: readonly JudgedPair[]): LadderStep[] {
  const steps = links.slice(1).flatMap((to, i): LadderStep[] => {
    const from = links[i]!
    const base = from.base.id !== to.base.id
    const out = from.out.id !== to.out.id
    if (base === out) return []
    const end = base ? 'base' : 'out'
    const others = new Set(links.map((l) => l[base ? 'out' : 'base'].id)).size
    const pair = pairs.find((p) => (p.a === to.id && p.b === from.id) || (p.a === from.id && p.b === to.id))
    if (!pair) return []
    return [
      {
        from: from.id,
        to: to.id,
        end,
        before: from[end].name,
        after: to[end].name,
        beside: others > 1 ? to[base ? 'out' : 'base'].name : null,
        pair,
        sign: pair.a === to.id ? 1 : -1,
      },
    ]
  })
  return steps.length < 2 || new Set(steps.map((s) => s.end)).size < 2 ? [] : steps
}

const turned = ({ low, high }: Interval, sign: 1 | -1): Interval =>
  sign > 0 ? { low, high } : { low: high === null ? null : -high, high: low === null ? null : -low }

/** What a step brought, in a sentence with its margin. */
export function stepWords({ end, before, after, beside, pair, sign }: LadderStep): string {
  const where = end === 'base' ? 'At the base' : 'Out there'
  const what = `${where}, ${after} instead of ${before}${beside ? ` (with ${beside})` : ''}`
  const { evened, joint, quoted, verdict } = pair
  const middle = evened?.estimate ?? joint?.steps?.estimate
  if (middle === undefined || !quoted) {
    const { wins, losses, of } = pair.wins
    const [won, lost] = sign > 0 ? [wins, losses] : [losses, wins]
    const counted = `it won ${countText(won, of)} and lost ${lost}`
    return verdict.kind === 'better'
      ? `${what} ${(verdict.which === 'a') === sign > 0 ? 'helped' : 'cost'}: ${counted}.`
      : `${what}: cannot tell what it brought; ${counted}.`
  }
  const unit = evened ? 'dB' : 'steps'
  const toldAs = (turn: 1 | -1) => {
    const { low, high } = turned(quoted.interval, turn)
    return `${tenths(turn * middle)} ${unit} (${intervalText(low, high, tenths)})`
  }
  if (verdict.kind === 'better')
    return sign * middle > 0
      ? `${what} brought ${toldAs(sign)}.`
      : `${what} cost ${toldAs(sign > 0 ? -1 : 1)}.`
  if (verdict.kind === 'alike') return `${what} made no difference that matters: ${toldAs(sign)}.`
  const { low, high } = quoted.interval
  return low !== null && high !== null && low * high > 0
    ? `${what} probably ${sign * middle > 0 ? 'helped' : 'cost'}, by about ${toldAs(sign * middle > 0 ? sign : sign > 0 ? -1 : 1)}; more marks would settle it.`
    : `${what}: cannot tell what it brought, ${toldAs(sign)}.`
}
