import * as Comlink from 'comlink'
import type { ExpectedLevel } from '@/core/reach'
import { tryTells, type PowerAsked } from '@/core/sim'
import type { TrialPlan } from '@/core/trial'

const api = {
  /** How many of some tries of a plan would tell. */
  told: (
    plan: TrialPlan,
    expected: readonly ExpectedLevel[],
    asked: PowerAsked,
    seeds: readonly number[],
  ): number => seeds.filter((seed) => tryTells(plan, expected, asked, seed)).length,
}

export type PowerApi = typeof api

Comlink.expose(api)
