import { andList, inHundred } from '../words/phrases'

/** Those who are named have so much of the chance among them, and are so many at most. */
const LIKELY = 0.9
const MOST_NAMED = 3

export interface Ordered {
  name: string
  /** The chance that it comes first, second, and so on. */
  places: readonly number[]
}

/**
 * The order of several in a sentence or two: which is first and how sure that is, which is surely last.
 * @param order the first first @param does such as "reaches farthest" @param least such as "reaches least far"
 * @param sure in the same order, whether the row is surely ahead of the column
 */
export function orderWords(
  order: readonly Ordered[],
  sure: (row: number, column: number) => boolean,
  does: string,
  least: string,
): { lead: string; more: string[] } {
  const first = order[0]!
  const others = order.map((_, i) => i)
  const sureOrder = others.slice(1).every((i) => sure(i - 1, i))
  if (sureOrder)
    return {
      lead: `${first.name} ${does}${order.length > 2 ? `, then ${andList(order.slice(1).map((o) => o.name))}` : `; ${order[1]!.name} ${least}`}`,
      more: order.length > 2 ? ['The whole order is sure.'] : ['That is sure.'],
    }
  const last = order.at(-1)!
  const end = order.length - 1
  const lastSure = others.slice(0, -1).every((i) => sure(i, end))
  const more = lastSure ? [`${last.name} ${least}, surely.`] : []
  if (others.slice(1).every((i) => sure(0, i)))
    return { lead: `${first.name} ${does}, and that is sure; the order behind it is not`, more }
  const leaders = leadersOf(order)
  if (leaders.length > MOST_NAMED)
    return {
      lead: `No one of them surely ${does}; ${first.name} is likeliest, with ${inHundred(first.places[0]!)} chances of 100`,
      more,
    }
  const [best, ...rest] = leaders
  const chance = (o: Ordered) => inHundred(o.places[0]!)
  const otherwise = rest.length > 0 ? `, else ${orList(rest.map((o) => `${o.name} (${chance(o)})`))}` : ''
  return {
    lead: `Most likely ${best!.name} ${does} (${chance(best!)} chances of 100)${otherwise}`,
    more,
  }
}

/** The likeliest first places that have nine chances in ten among them. */
function leadersOf(order: readonly Ordered[]): Ordered[] {
  const likeliest = [...order].sort((a, b) => b.places[0]! - a.places[0]!)
  let sum = 0
  const at = likeliest.findIndex((o) => (sum += o.places[0]!) >= LIKELY)
  return likeliest.slice(0, at < 0 ? likeliest.length : at + 1)
}

const orList = (of: readonly string[]) =>
  of.length < 2 ? (of[0] ?? '') : `${of.slice(0, -1).join(', ')} or ${of.at(-1)}`
