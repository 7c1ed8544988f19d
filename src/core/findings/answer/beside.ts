import { saidOfPairs } from '../onTheWay/switches'
import { edgeIntervals, rankEdges } from '../onTheWay/edges'
import { saidWords } from '../onTheWay/onTheWayWords'
import { whyFailed, whyFailedWords } from '../reach/whyFailed'
import { aboutDistanceText } from '@/core/units'
import { andList } from '../words/phrases'
import type { AnswerBasis, AnswerFrom } from './types'
import { carriedOf, carriedText } from './carried'

/** What a log holds beside what its answer goes by, in a sentence each. */
export function besideWords(from: AnswerFrom, basis: AnswerBasis): string[] {
  const { log, plan, link, mark, units, reliability } = from
  const walked = (by: 'walked' | 'by ear') => {
    const ranking = rankEdges(
      edgeIntervals(plan, log).filter((e) => e.by === by),
      reliability,
    )
    const show = (m: number) => aboutDistanceText(m, units)
    return (ranking?.reaches ?? []).map(({ link: id, medianM, lowM, highM, walks }) => {
      const size =
        lowM !== null && highM !== null
          ? `lost at about ${show(medianM)} (${show(lowM)} to ${show(highM)})`
          : lowM !== null
            ? `never lost, heard to ${show(lowM)} or more`
            : `never heard, not even at ${show(highM!)}`
      const how = by === 'walked' ? 'to the edge' : 'by ear'
      return `${link(id)}, ${walks === 1 ? 'one walk' : `${walks} walks`} ${how}: ${size}.`
    })
  }
  return [
    ...(basis === 'edges' ? [] : walked('walked')),
    ...(basis === 'edges' || basis === 'by ear' ? [] : walked('by ear')),
    ...(basis === 'switches' ? [] : saidOfPairs(log).map((s) => saidWords(s, link))),
    ...(basis === 'throughput' ? [] : carriedWords(from)),
    ...whyFailed(log).map((w) => whyFailedWords(w, link, mark)),
  ]
}

/** What each link carried, all in one sentence: beside the levels, and no verdict. */
function carriedWords({ log, link }: AnswerFrom): string[] {
  const all = carriedOf(log)
  return all.length === 0
    ? []
    : [`Carried meanwhile: ${andList(all.map((c) => `${link(c.linkId)} ${carriedText(c)}`))}.`]
}
