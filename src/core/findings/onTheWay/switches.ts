import { exactSign } from '@/core/stats/exact/exactSign'
import type { Comparison, LoggedEvent, RunLog } from '@/core/trial'

/** What listeners said on a quick switch from one link to another, counted by mark; another station is one of its own. */
export interface SaidOfPair {
  a: string
  b: string
  /** Marks at which A was said to be better, alike, worse. */
  better: number
  alike: number
  worse: number
  /** Of these, other stations that said so. */
  stations: number
  /** Reports in all; several at one mark count once, by what was said most. */
  reports: number
  /** Two-sided exact sign test; null below five that are not alike. */
  p: number | null
}

const LEANS: Record<Comparison, number> = {
  better: 1,
  'a little better': 1,
  'the same': 0,
  'a little worse': -1,
  worse: -1,
  gone: -1,
}

/** What an event says of two links against each other, the second against the first; null where it says nothing. */
function switchIn({
  body,
}: LoggedEvent): { where: string; links: [string, string]; said: Comparison } | null {
  if (body.kind === 'compare') return { where: body.markId, links: body.links, said: body.said }
  if (body.kind !== 'station' || body.linkId === null || !body.against) return null
  const { linkId, said } = body.against
  return { where: `${STATION}${body.name.trim().toLowerCase()}`, links: [linkId, body.linkId], said }
}

const STATION = 'station '

/**
 * Comparative reports, counted by mark and tested by the exact sign test; "the same" counts as such, "gone" as worse.
 */
export function saidOfPairs(log: RunLog): SaidOfPair[] {
  const pairs = new Map<string, { a: string; b: string; marks: Map<string, number>; reports: number }>()
  for (const event of log.events) {
    const found = switchIn(event)
    if (!found) continue
    const { where, links, said } = found
    // Named in one order whichever way the switch went.
    const [a, b] = [...links].sort() as [string, string]
    const lean = LEANS[said] * (links[1] === a ? 1 : -1)
    const pair = pairs.get(`${a} ${b}`) ?? { a, b, marks: new Map<string, number>(), reports: 0 }
    pair.marks.set(where, (pair.marks.get(where) ?? 0) + lean)
    pair.reports++
    pairs.set(`${a} ${b}`, pair)
  }
  return [...pairs.values()].map(({ a, b, marks, reports }) => {
    const leans = [...marks.values()].map(Math.sign)
    const better = leans.filter((v) => v > 0).length
    const worse = leans.filter((v) => v < 0).length
    return {
      a,
      b,
      better,
      worse,
      stations: [...marks.keys()].filter((k) => k.startsWith(STATION)).length,
      alike: leans.length - better - worse,
      reports,
      p: better + worse < 5 ? null : exactSign(better, worse),
    }
  })
}
