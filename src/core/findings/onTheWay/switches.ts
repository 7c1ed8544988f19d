import { exactSign } from '@/core/stats/exact/exactSign'
import type { RunLog } from '@/core/trial'

/** What listeners said on a quick switch from one link to another, counted by mark. */
export interface SaidOfPair {
  a: string
  b: string
  /** Marks at which A was said to be better, alike, worse. */
  better: number
  alike: number
  worse: number
  /** Reports in all; several at one mark count once, by what was said most. */
  reports: number
  /** Two-sided exact sign test; null below five that are not alike. */
  p: number | null
}

const LEANS: Record<string, number> = {
  better: 1,
  'a little better': 1,
  'the same': 0,
  'a little worse': -1,
  worse: -1,
  gone: -1,
}

/**
 * Comparative reports, counted by mark and tested by the exact sign test; "the same" counts as such, "gone" as worse.
 */
export function saidOfPairs(log: RunLog): SaidOfPair[] {
  const pairs = new Map<string, { a: string; b: string; marks: Map<string, number>; reports: number }>()
  for (const { body } of log.events) {
    if (body.kind !== 'compare') continue
    // The second link against the first: named in one order whichever way the switch went.
    const [a, b] = [...body.links].sort() as [string, string]
    const lean = LEANS[body.said]! * (body.links[1] === a ? 1 : -1)
    const pair = pairs.get(`${a} ${b}`) ?? { a, b, marks: new Map<string, number>(), reports: 0 }
    pair.marks.set(body.markId, (pair.marks.get(body.markId) ?? 0) + lean)
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
      alike: leans.length - better - worse,
      reports,
      p: better + worse < 5 ? null : exactSign(better, worse),
    }
  })
}
