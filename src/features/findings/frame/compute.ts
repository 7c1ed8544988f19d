import {
  edgeIntervals,
  poolRuns,
  type Breakdown,
  type Findings,
  type NextChecks,
  type Pool,
  type RunEvent,
  type RunPart,
  type WalkOrders,
} from '@/core/findings'
import type { PlanGround } from '@/core/reach'
import { marksNow, planNow, standingChecks, type RunLog, type TrialPlan } from '@/core/trial'
import type { RunRow } from '@/data'
import { findingsThread } from '@/server/findingsThread'
import { digestOf, keeper } from '@/server/keeper'
import type { Settings } from './ruleParams'

export interface RunWithLog {
  row: RunRow
  log: RunLog
}

function partOf({ row, log }: RunWithLog, settings: Settings): RunPart {
  const reached = new Set([...standingChecks(log), ...log.skipped].map((c) => c.markId))
  const carriedOut = row.conditions.imported || row.plan.marks.every((m) => reached.has(m.id))
  const { marginDb, reliability, need } = settings
  const plan = { ...planNow(row.plan, log), marginDb, reliability, need }
  return {
    id: row.id,
    name: row.name,
    plan,
    marks: marksNow(plan, log),
    checks: log.checks,
    fixedBeforehand: row.conditions.fixedBeforehand && carriedOut,
  }
}

/** The runs that a reader chose, as one input; the first of them is the one shown. */
export function poolOf(runs: readonly RunWithLog[], settings: Settings): Pool {
  return poolRuns(
    runs.map((r) => partOf(r, settings)),
    settings.rule,
    settings.choices,
  )
}

/** Logs that are told apart; one that grew is another one. */
const numbers = new WeakMap<RunLog, number>()
let logs = 0

function numberOf(log: RunLog): number {
  const number = numbers.get(log) ?? ++logs
  numbers.set(log, number)
  return number
}

/** Answers kept of each question: thousands of checks take a second to be handed to the thread and back. */
const MAX_ANSWERS = 6

type Asked<T, More extends unknown[]> = (
  runs: readonly RunWithLog[],
  settings: Settings,
  ...more: More
) => Promise<T>

/** What the thread is asked about runs, asked once for each state of their logs and each choice of the reader. */
function askedOnce<T, More extends unknown[] = []>(ask: Asked<T, More>): Asked<T, More> {
  const kept = keeper<Promise<T>>(MAX_ANSWERS)
  return (runs, settings, ...more) => {
    const about = [runs.map(({ row, log }) => [numberOf(log), row]), settings, more]
    return kept(digestOf(about), () => ask(runs, settings, ...more))
  }
}

/** Findings of runs under what the reader has chosen; worked out in a thread of its own. */
export const findingsOfRuns = askedOnce<Findings>((runs, settings) =>
  findingsThread().findings(poolOf(runs, settings).input, besideChecks(runs)),
)

/** What other stations said in these runs, and what was written down of the conditions. */
const besideChecks = (runs: readonly RunWithLog[]): RunEvent[] =>
  runs.flatMap(({ row, log }) =>
    log.events
      .filter((e) => e.body.kind === 'station' || e.body.kind === 'conditions')
      .map((e) => ({ ...e, runId: row.id })),
  )

/** Where links were lost on the way, put in order; what was not walked needs no thread. */
export function walksOf(plan: TrialPlan, log: RunLog, settings: Settings): Promise<WalkOrders> {
  const edges = edgeIntervals(plan, log)
  return edges.length === 0
    ? Promise.resolve({ walked: null, 'by ear': null })
    : findingsThread().walks(edges, settings.reliability)
}

/** Where the next checks tell most of what is open. */
export const nextOfRuns = askedOnce<NextChecks | null>((runs, settings) =>
  findingsThread().next(poolOf(runs, settings).input),
)

/** What lies behind the findings of the same runs under the same choices. */
export const breakdownOfRuns = askedOnce<Breakdown, [ground: PlanGround | null]>((runs, settings, ground) =>
  findingsThread().breakdown(poolOf(runs, settings).input, ground, besideChecks(runs)),
)
