import { saidOfPairs } from '../onTheWay/switches'
import { saidWords } from '../onTheWay/onTheWayWords'
import { whyFailed, whyFailedWords } from '../reach/whyFailed'
import { aboutDistanceText } from '@/core/units'
import { andList } from '../words/phrases'
import type { AnswerBasis, AnswerFrom } from './types'
import { carriedOf, carriedText } from './carried'

/** What a log holds beside what its answer goes by, in a sentence each. */
export function besideWords(from: AnswerFrom, basis: AnswerBasis): string[] {
  const { log, walks, link, mark, units } = from
  const walked = (by: 'walked' | 'by ear') => {
    const show = (m: number) => aboutDistanceText(m, units)
    return (walks[by]?.reaches ?? []).map(({ link: id, medianM, lowM, highM, walks: n }) => {
      const size =
        lowM !== null && highM !== null
          ? `lost at about ${show(medianM)} (${show(lowM)} to ${show(highM)})`
          : lowM !== null
            ? `never lost, heard to ${show(lowM)} or more`
            : `never heard, not even at ${show(highM!)}`
      const how = by === 'walked' ? 'to the edge' : 'by ear'
      return `${link(id)}, ${n === 1 ? 'one walk' : `${n} walks`} ${how}: ${size}.`
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
