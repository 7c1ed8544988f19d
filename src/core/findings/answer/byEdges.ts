import { aboutDistanceText, countText, type Units } from '@/core/units'
import type { EdgeRanking, EdgeReach } from '@/core/reach/edgeRanking'
import { edgeIntervals, rankEdges, type EdgeInterval } from '../onTheWay/edges'
import { placesOf, SURELY_AHEAD, surelyBy } from '../standing/places'
import { capital } from '../words/phrases'
import { chanceInWords } from '../words/words'
import type { AnswerCore, AnswerFrom, AnswerLine } from './types'
import { orderWords } from './orderWords'

/** The answer of walks to the edge: who gets farthest before it is lost. Null where none was walked. */
export function answerByEdges(from: AnswerFrom): AnswerCore | null {
  const { plan, log, reliability, link } = from
  const edges = edgeIntervals(plan, log).filter((e) => e.by === 'walked')
  const ranking = rankEdges(edges, reliability)
  if (!ranking) return null
  const { reaches } = ranking
  const { chances, ahead } = placesOf(ranking.draws)
  const [only] = reaches
  const { lead, more } =
    reaches.length === 1
      ? { lead: `${link(only!.link)} was lost at ${reachOf(only!, from.units)}`, more: [] }
      : orderWords(
          reaches.map((r, i) => ({ name: link(r.link), places: chances[i]! })),
          (row, column) => surelyBy(ahead, row, column),
          'gets farthest before it is lost',
          'is lost nearest',
        )
  const attenuated = edges.some((e) => e.attenuationDb > 0)
  return {
    basis: 'edges',
    lead: `${lead}.`,
    detail: [
      ...more,
      ...gapWords(ranking, from),
      ...(attenuated
        ? ['Walks with the attenuator in are told without it, by how levels usually fall near the ground.']
        : []),
    ],
    axis: { unit: 'm', label: 'lost by half of the walks' },
    lines: linesOf(from, ranking),
    sure: edgesSure(edges, from),
    settle: settleEdges(ranking, link),
    copied: null,
  }
}

/** How much farther the first gets than the last, where that is sure. */
function gapWords({ reaches, draws }: EdgeRanking, { link }: AnswerFrom): string[] {
  if (reaches.length < 2) return []
  const [first, last] = [reaches[0]!, reaches.at(-1)!]
  const gap = draws[0]!.map((v, i) => Math.exp(v - draws.at(-1)![i]!)).sort()
  const at = (p: number) => gap[Math.floor(p * (gap.length - 1))]!
  if (at(0.05) <= 1 || first.highM === null || last.lowM === null) return []
  const times = (v: number) => v.toFixed(1)
  return [
    `${capital(link(first.link))} gets ${times(at(0.5))} times as far as ${link(last.link)} (${times(at(0.05))} to ${times(at(0.95))}).`,
  ]
}

/** A reach by walks: "about 2.1 km (1.8 to 2.5 km)", or its bound. */
function reachOf({ medianM, lowM, highM }: EdgeReach, units: Units): string {
  const show = (m: number) => aboutDistanceText(m, units)
  if (lowM === null) return `less than ${show(highM!)}: it was never heard`
  if (highM === null) return `${show(lowM)} or more: it was never lost`
  return `about ${show(medianM)} (${show(lowM)} to ${show(highM)})`
}

function linesOf({ plan, units, reliability }: AnswerFrom, { reaches }: EdgeRanking): AnswerLine[] {
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
function settleEdges({ reaches, draws }: EdgeRanking, link: (id: string) => string): string | null {
  const { ahead } = placesOf(draws)
  const open = reaches
    .slice(1)
    .map((r, i) => ({ a: reaches[i]!, b: r, chance: ahead[i]![i + 1]! }))
    .filter((p) => p.chance < SURELY_AHEAD)
    .sort((p, q) => q.chance - p.chance)[0]
  return (
    (open &&
      `Another walk each with ${link(open.a.link)} and ${link(open.b.link)}, on another way, would do most to settle the order.`) ??
    null
  )
}
