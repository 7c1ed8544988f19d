import * as Comlink from 'comlink'
import {
  breakdownOfLog,
  breakdownUnder,
  type Breakdown,
  type BreakdownBasis,
  type FindingsInput,
  type LogBreakdown,
  type RunEvent,
} from '@/core/findings'
import type { PlanGround } from '@/core/reach'

let kept: { key: string; inLog: LogBreakdown } | null = null
let newest = 0

/** Lets a newer question in, and gives this one up for it. */
async function unlessNewer(asked: number): Promise<void> {
  await new Promise((resolve) => setTimeout(resolve))
  if (asked !== newest) throw new Error('Asked anew before it was worked out.')
}

const api = {
  /**
   * The causes behind a log. What does not depend on the copy rule, the margin and the reliability is kept
   * for the next time.
   */
  async breakdown(
    input: FindingsInput,
    basis: BreakdownBasis,
    ground: PlanGround | null,
    events: readonly RunEvent[],
  ): Promise<Breakdown> {
    const asked = ++newest
    const { copyRule: _rule, marginDb: _margin, reliability: _often, ...log } = input
    const key = JSON.stringify([log, ground?.expected, events])
    if (kept?.key !== key) {
      await unlessNewer(asked)
      const inLog = await breakdownOfLog(input, ground, events, () => unlessNewer(asked))
      kept = { key, inLog }
    }
    return breakdownUnder(input, basis, ground, kept.inLog)
  },
}

export type BreakdownApi = typeof api

Comlink.expose(api)
