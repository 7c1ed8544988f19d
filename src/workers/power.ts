import * as Comlink from 'comlink'
import type { ExpectedLevel } from '@/core/reach'
import { PowerTries, type PowerAsked } from '@/core/sim'
import type { TrialPlan } from '@/core/trial'

const api = {
  /** How many of so many tries would tell; reports after every few, so that it can be followed and given up. */
  async tried(
    plan: TrialPlan,
    expected: readonly ExpectedLevel[],
    asked: PowerAsked,
    tries: number,
    follow: (done: number) => void | Promise<void>,
  ): Promise<number> {
    const trying = new PowerTries(plan, expected, asked)
    let told = 0
    for (let seed = 1; seed <= tries; seed++) {
      if (trying.tells(1000 * asked.marks + 17 * asked.repeats + seed)) told++
      if (seed % 5 === 0) await follow(seed)
    }
    return told
  },
}

export type PowerApi = typeof api

Comlink.expose(api)
