import type { Direction } from '@/core/kit/rig/rig'
import { exactSign } from '@/core/stats/exact/exactSign'
import { earStatesOf, type RunLog, type TrialPlan } from '@/core/trial'

/** Where a link was lost on the way: after the one distance and before the other; null is open. */
export interface EdgeInterval {
  linkId: string
  /** A way by ear, or the direction of a walk to the edge. */
  side: 'out' | 'home' | Direction
  by: 'by ear' | 'walked'
  /** Heard this far out, and lost by there, m. */
  heardToM: number | null
  lostByM: number | null
  /** Heard again beyond where it was first lost. */
  again: boolean
}

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

/**
 * Where each link was lost, from its changes of state by ear and from walks to the edge: an interval between
 * the last place where it was heard and the first where it was not. A way without a place at a change says nothing.
 */
export function edgeIntervals(plan: TrialPlan, log: RunLog): EdgeInterval[] {
  const means = new Map(earStatesOf(plan).map((s) => [s.name, s.means]))
  type Step = { distanceM: number; heard: boolean }
  const tracks = new Map<
    string,
    { linkId: string; side: EdgeInterval['side']; by: EdgeInterval['by']; steps: Step[] }
  >()
  const add = (linkId: string, side: EdgeInterval['side'], by: EdgeInterval['by'], step: Step) => {
    const key = `${linkId} ${side} ${by}`
    const way = tracks.get(key) ?? { linkId, side, by, steps: [] }
    way.steps.push(step)
    tracks.set(key, way)
  }
  for (const { body } of log.events) {
    if (body.kind === 'state' && body.state !== null && body.distanceM !== null) {
      const state = means.get(body.state)
      if (state) add(body.linkId, body.way, 'by ear', { distanceM: body.distanceM, heard: state !== 'lost' })
    }
    if (body.kind === 'edge')
      add(body.linkId, body.direction, 'walked', {
        distanceM: body.distanceM,
        heard: body.what !== 'first lost',
      })
  }
  return [...tracks.values()].map(({ linkId, side, by, steps }) => {
    const lost = steps.filter((s) => !s.heard).map((s) => s.distanceM)
    const lostByM = lost.length > 0 ? Math.min(...lost) : null
    const heard = steps.filter((s) => s.heard).map((s) => s.distanceM)
    const before = lostByM === null ? heard : heard.filter((d) => d <= lostByM)
    return {
      linkId,
      side,
      by,
      heardToM: before.length > 0 ? Math.max(...before) : null,
      lostByM,
      again: lostByM !== null && heard.some((d) => d > lostByM),
    }
  })
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
