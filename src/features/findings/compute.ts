import { comparePairs, inputOf, makeFindings, type Findings, type JudgedPair } from '@/core/findings'
import type { CopyRule } from '@/core/reports'
import { marksNow, standingChecks, type RunLog } from '@/core/trial'
import type { RunRow } from '@/data'

const LARGEST_CACHE = 24
const cache = new Map<string, JudgedPair[]>()

/**
 * Findings of a run under a copy rule. The comparisons do not depend on the rule and are kept, so that changing it
 * answers at once.
 */
export function findingsOfRun(run: RunRow, log: RunLog, rule: CopyRule): Findings {
  const reached = new Set([...standingChecks(log), ...log.skipped].map((c) => c.markId))
  const carriedOut = run.conditions.imported || run.plan.marks.every((m) => reached.has(m.id))
  const fixed = run.conditions.fixedBeforehand && carriedOut
  const input = inputOf(run.plan, marksNow(run.plan, log), log.checks, fixed, rule)
  const last = log.checks.map((c) => `${c.id}${c.versions}${c.voided ? 'v' : ''}`).join()
  const key = `${run.id} ${fixed} ${last}`
  let pairs = cache.get(key)
  if (!pairs) {
    pairs = comparePairs(input)
    cache.set(key, pairs)
    if (cache.size > LARGEST_CACHE) cache.delete(cache.keys().next().value!)
  }
  return makeFindings(input, pairs)
}
