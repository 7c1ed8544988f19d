import { aboutDistanceText, countText, type Units } from '@/core/units'
import type { EdgeReach } from '@/core/reach/edgeRanking'
import { edgeIntervals, type EdgeInterval, type WalkOrder } from '../onTheWay/edges'
import { SURELY_AHEAD } from '../standing/places'
import { capital } from '../words/phrases'
import { chanceInWords } from '../words/words'
import type { AnswerCore, AnswerFrom, AnswerLine } from './types'
import { walkOrderWords } from './walkOrderWords'

/** The answer of walks to the edge: who gets farthest before it is lost. Null where none was walked. */
export function answerByEdges(from: AnswerFrom): AnswerCore | null {
  const { plan, log, link } = from
  const order = from.walks.walked
  if (!order) return null
  const edges = edgeIntervals(plan, log).filter((e) => e.by === 'walked')
  const { reaches } = order
  const [only] = reaches
  const { lead, more } =
    reaches.length === 1
      ? { lead: `${link(only!.link)} was lost at ${reachOf(only!, from.units)}`, more: [] }
      : walkOrderWords(order, link, 'gets farthest before it is lost', 'is lost nearest')
  const attenuated = edges.some((e) => e.attenuationDb > 0)
  return {
    basis: 'edges',
    lead: `${lead}.`,
    detail: [
      ...more,
      ...gapWords(order, from),
      ...(attenuated
        ? ['Walks with the attenuator in are told without it, by how levels usually fall near the ground.']
        : []),
    ],
    axis: { unit: 'm', label: 'lost by half of the walks' },
    lines: linesOf(from, order),
    sure: edgesSure(edges, from),
    settle: settleEdges(order, link),
    copied: null,
  }
}

/** How much farther the first gets than the last, where that is sure. */
function gapWords({ reaches, gap }: WalkOrder, { link }: AnswerFrom): string[] {
  if (reaches.length < 2) return []
  const [first, last] = [reaches[0]!, reaches.at(-1)!]
  if (gap.low <= 1 || first.highM === null || last.lowM === null) return []
  const times = (v: number) => v.toFixed(1)
  return [
    `${capital(link(first.link))} gets ${times(gap.times)} times as far as ${link(last.link)} (${times(gap.low)} to ${times(gap.high)}).`,
  ]
}

/** A reach by walks: "about 2.1 km (1.8 to 2.5 km)", or its bound. */
function reachOf({ medianM, lowM, highM }: EdgeReach, units: Units): string {
  const show = (m: number) => aboutDistanceText(m, units)
  if (lowM === null) return `less than ${show(highM!)}: it was never heard`
  if (highM === null) return `${show(lowM)} or more: it was never lost`
  return `about ${show(medianM)} (${show(lowM)} to ${show(highM)})`
}

function linesOf({ plan, units, reliability }: AnswerFrom, { reaches }: WalkOrder): AnswerLine[] {
  return reaches.flatMap((r) => {
    const link = plan.links.find((l) => l.id === r.link)
    if (!link) return []
    const bounded = r.lowM !== null && r.highM !== null
    const count = bounded
      ? `${chanceInWords(reliability)} at least ${aboutDistanceText(r.surelyM, units)}`
      : ''
    return [
      {
        linkId: link.id,
        letter: link.letter,
        name: link.name,
        text: reachOf(r, units),
        note: [count, countText(r.walks, 'walk')].filter(Boolean).join(', '),
        value: bounded ? r.medianM : null,
        low: r.lowM,
        high: r.highM,
        ways: [],
      },
    ]
  })
}

function edgesSure(edges: readonly EdgeInterval[], { plan }: AnswerFrom): string {
  const ways = new Set(edges.map((e) => `${e.legId} ${e.side}`)).size
  const links = new Set(edges.map((e) => e.linkId)).size
  const here = ways === 1 ? ' On one way: elsewhere the ground may turn the order round.' : ''
  const surroundings = plan.surroundings === 'mixed' ? '' : `, in ${plan.surroundings} surroundings`
  return `From ${countText(edges.length, 'walk')} to the edge with ${countText(links, 'rig')}${surroundings}. The figures in brackets hold 9 times in 10.${here}`
}

/** The neighbours in the order that are nearest to being told apart. */
function settleEdges({ reaches, places }: WalkOrder, link: (id: string) => string): string | null {
  const open = reaches
    .slice(1)
    .map((r, i) => ({ a: reaches[i]!, b: r, chance: places.ahead[i]![i + 1]! }))
    .filter((p) => p.chance < SURELY_AHEAD)
    .sort((p, q) => q.chance - p.chance)[0]
  return (
    (open &&
      `Another walk each with ${link(open.a.link)} and ${link(open.b.link)}, on another way, would do most to settle the order.`) ??
    null
  )
}
