import { listRuns, logOf, openTrial, type Db } from '@/data'
import { answersAnything } from '@/core/findings'
import { logBySecond, planBySecond, planNow } from '@/core/trial'
import type { RunWithLog } from './compute'
import { settingsFromParams } from './ruleParams'

export type Query = Record<string, string | string[] | undefined>

/**
 * What an address of findings asks for: the trial, its runs that hold anything, the one shown with those put together
 * with it, and the knobs.
 * @returns null where there is no such trial; `chosen` is empty where nothing was logged
 */
export function findingsAsked(db: Db, trialId: string, query: Query) {
  const open = openTrial(db, trialId)
  if (!open) return null
  // A run just begun holds nothing yet, and must not hide what was found before.
  const holding = listRuns(db, open.trial.id)
    .map((row) => ({ row, log: logOf(db, row.id) }))
    .filter((r) => answersAnything(r.log))
  const picked =
    holding.find((r) => r.row.id === query.run) ??
    holding.find((r) => r.log.state !== 'voided') ??
    holding[0] ??
    null
  if (!picked)
    return { open, runs: holding, shown: null, chosen: [], settings: null, plan: null, figures: null }
  const figures = figuresOf(picked, query)
  const runs = figures?.by === 'second' ? holding.map(toldBySecond) : holding
  const shown = runs[holding.indexOf(picked)]!
  const settings = settingsFromParams(query, shown.row.plan)
  const others = runs.filter(
    (r) => r !== shown && settings.withRuns.includes(r.row.id) && r.log.checks.length > 0,
  )
  const plan = planNow(shown.row.plan, shown.log)
  return { open, runs, shown, chosen: [shown, ...others], settings, plan, figures }
}

/** What the two figures of each check are called, and by which of them is read; null where there is one alone. */
function figuresOf({ row, log }: RunWithLog, query: Query) {
  const { also } = row.plan
  if (!also || !log.checks.some((c) => c.also !== undefined)) return null
  return { first: also.first, second: also.second, by: query.by === 'second' ? 'second' : 'first' } as const
}

/** A run as its second figure tells it; one that has none says nothing by it. */
const toldBySecond = ({ row, log }: RunWithLog): RunWithLog => ({
  row: { ...row, plan: planBySecond(row.plan) },
  log: row.plan.also ? logBySecond(log) : { ...log, checks: [] },
})

/** The query of a request, as a page gets it. */
export function queryOf(params: URLSearchParams): Query {
  return Object.fromEntries(
    [...new Set(params.keys())].map((key) => {
      const all = params.getAll(key)
      return [key, all.length > 1 ? all : all[0]]
    }),
  )
}
