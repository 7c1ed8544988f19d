import { listRuns, logOf, openTrial, type Db } from '@/data'
import { answersAnything } from '@/core/findings'
import { planNow } from '@/core/trial'
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
  const runs = listRuns(db, open.trial.id)
    .map((row) => ({ row, log: logOf(db, row.id) }))
    .filter((r) => answersAnything(r.log))
  const shown =
    runs.find((r) => r.row.id === query.run) ?? runs.find((r) => r.log.state !== 'voided') ?? runs[0] ?? null
  if (!shown) return { open, runs, shown: null, chosen: [], settings: null, plan: null }
  const settings = settingsFromParams(query, shown.row.plan)
  const others = runs.filter(
    (r) => r !== shown && settings.withRuns.includes(r.row.id) && r.log.checks.length > 0,
  )
  return { open, runs, shown, chosen: [shown, ...others], settings, plan: planNow(shown.row.plan, shown.log) }
}

/** The query of a request, as a page gets it. */
export function queryOf(params: URLSearchParams): Query {
  return Object.fromEntries(
    [...new Set(params.keys())].map((key) => {
      const all = params.getAll(key)
      return [key, all.length > 1 ? all : all[0]]
    }),
  )
}
