import { v7 } from 'uuid'
import { ORDINARY_FIELD, simulateRun } from '../src/core/sim'
import { testEntry } from '../src/core/testing/entries'
import type { Entry, Mark, TrialPlan } from '../src/core/trial'
import { addTrial, appendEntries, startRun, type Db } from '../src/data'
import { testDay } from '../src/data/testing/day'

const NOTE = { note: '', fixedBeforehand: false, imported: false }
const { day } = testDay()

/** The test day's plan with so many marks. */
const planOf = (count: number): TrialPlan => ({
  ...day.plan,
  marks: Array.from({ length: count }, (_, i): Mark => ({
    ...day.plan.marks[0]!,
    id: `m${i}`,
    name: `M${i}`,
    distanceM: 200 + 7 * i,
    alongM: 200 + 7 * i,
  })),
})

export const entryOf = (runId: string, device: string, seq: number, body: Entry['body']): Entry =>
  testEntry(body, { id: v7(), runId, device, seq, wallTime: new Date().toISOString() })

/** A trial with a run whose checks are simulated, six a mark. */
export function filledTrial(
  db: Db,
  name: string,
  marks: number,
): { trial: string; run: string; checks: number } {
  const plan = planOf(marks)
  const trial = addTrial(db, name, '', 1)
  const run = startRun(db, trial, name, plan, NOTE)
  const checks = simulateRun(plan, { ...ORDINARY_FIELD, seed: 1, gainDbi: {} })
  appendEntries(
    db,
    checks.map((c, i) => entryOf(run, 'bench', i, { kind: 'check', ...c })),
  )
  return { trial, run, checks: checks.length }
}
