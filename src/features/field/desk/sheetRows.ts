import { listenerOf } from '@/core/kit'
import { whyNotRead } from '@/core/reports'
import {
  keyOf,
  keyText,
  planNow,
  schedule,
  type EntryBody,
  type RunLog,
  type ScheduledCheck,
  type TrialPlan,
} from '@/core/trial'

/** One line of the log sheet. */
export interface SheetRow {
  key: string
  check: ScheduledCheck
  linkName: string
  letter: string
  /** What is logged already; null where nothing is. */
  logged: string | null
}

/** The checks of a run, a line each, in the order of making. */
export function sheetRows(planned: TrialPlan, log: RunLog): SheetRow[] {
  const plan = planNow(planned, log)
  return schedule(plan, log).map((check) => {
    const link = plan.links.find((l) => l.id === check.linkId)!
    const key = keyText(check)
    const made = log.checks.find((c) => !c.voided && keyText(c) === key)
    return {
      key,
      check,
      linkName: link.name,
      letter: link.letter,
      logged: made?.text ?? (check.state === 'skipped' ? 'skipped' : null),
    }
  })
}

/**
 * What was written on paper for one check: the report, then after a slash or two blanks how many calls and a remark.
 */
export interface Written {
  report: string
  calls: string
  remark: string
}

export const NOTHING_WRITTEN: Written = { report: '', calls: '', remark: '' }

/** What is wrong with what was written; null where it can be logged, or nothing was written. */
export function writtenProblem(plan: TrialPlan, row: SheetRow, written: Written): string | null {
  if (written.report.trim() === '') return written.remark.trim() !== '' ? 'A remark without a report' : null
  const calls = written.calls.trim() === '' ? 1 : Number(written.calls)
  if (!Number.isInteger(calls) || calls < 1 || calls > 99) return 'Calls go from 1 to 99'
  const why = whyNotRead(written.report, plan.scales[listenerOf(row.check.direction)])
  return why === null ? null : `Not read: ${why}`
}

/** The entry of a line that was filled in. */
export function writtenBody(row: SheetRow, written: Written): EntryBody {
  return {
    kind: 'check',
    ...keyOf(row.check),
    text: written.report.trim(),
    calls: written.calls.trim() === '' ? 1 : Number(written.calls),
    remark: written.remark.trim(),
    state: 'graded',
  }
}
