import type { AnswerCore, AnswerFrom } from './types'
import { orderWords } from './orderWords'
import { headlinePairs, neighbourWords, surely, toldWords } from './pairsWords'

/** More links than these are an order, and their pairs stand in the table. */
const MOST_PAIRED = 4

/**
 * What is said of three rigs or more: their order, and their neighbours' verdicts or how many pairs are told.
 * @param does, least as {@link orderWords} has them
 */
export function orderLead(
  { findings, link }: AnswerFrom,
  does: string,
  least: string,
): Pick<AnswerCore, 'lead' | 'detail'> {
  const { standings } = findings
  if (!standings) return { lead: 'Too little was logged to put them in order.', detail: [] }
  const pairs = headlinePairs(findings)
  const ids = standings.links.map((s) => s.linkId)
  const order = standings.links.map((s) => ({ name: link(s.linkId), places: s.places }))
  const { lead, more } = orderWords(order, surely(findings, pairs), does, least)
  const evened = ids.length <= MOST_PAIRED ? neighbourWords(ids, pairs, link) : [toldWords(pairs)]
  return { lead: `${lead}.`, detail: [...more, ...evened] }
}
