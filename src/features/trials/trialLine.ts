import { answersAnything } from '@/core/findings'
import { countText } from '@/core/units'
import { needsMarks, plannedChecks, schedule, type RunLog } from '@/core/trial'
import {
  lettersOf,
  listRuns,
  logOf,
  openTrial,
  planOf,
  type Db,
  type OpenTrial,
  type RunRow,
  type TrialRow,
} from '@/data'
import type { TrialLine } from './trialLineType'

/** Where a trial stands: its steps in a few words each. Shared by the list and the rail. */
export interface TrialState {
  kit: string
  ground: string
  plan: string
  field: string
  findings: string
  /** The run that counts: the newest not voided, or null. */
  run: { row: RunRow; log: RunLog; done: number; total: number } | null
}

export function trialState(db: Db, open: OpenTrial): TrialState {
  const rows = listRuns(db, open.trial.id)
  const runs = rows.map((row) => ({ row, log: logOf(db, row.id) }))
  const counting = runs.find((r) => r.log.state !== 'voided') ?? null
  const rigs = lettersOf(db, open.trial.id).size
  const marks = open.legs.reduce((s, l) => s + l.marks.length, 0)
  const checks = plannedChecks(planOf(open)).length
  const all = counting ? schedule(counting.row.plan, counting.log) : []
  const done = all.filter((c) => c.state !== 'to do').length
  return {
    kit: rigs > 0 ? `${countText(rigs, 'rig')} in it` : 'no rigs yet',
    ground: open.site ? `${countText(open.legs.length, 'leg')}, ${countText(marks, 'mark')}` : 'no base yet',
    plan: checks > 0 ? countText(checks, 'check') : planWords(open),
    field: counting
      ? `${done} of ${countText(all.length, 'check')}`
      : rows.length > 0
        ? 'run voided'
        : 'no run yet',
    findings:
      counting && answersAnything(counting.log)
        ? countText(open.links.length, 'rig') + ' compared'
        : 'nothing logged',
    run: counting && { ...counting, done, total: all.length },
  }
}

/** A plan without checks of its own. */
function planWords({ trial, links }: OpenTrial): string {
  if (needsMarks(trial.way) || links.length === 0) return 'nothing to make'
  return countText(links.length, 'link')
}

/** What a trial without a run wants next. */
function nextOf(db: Db, open: OpenTrial): string {
  if (lettersOf(db, open.trial.id).size === 0) return 'bring the rigs together that are compared.'
  if (open.links.length === 0) return 'say what is compared.'
  if (needsMarks(open.trial.way) && open.legs.every((l) => l.marks.length === 0))
    return 'set marks to stop at.'
  return 'begin a run.'
}

/** A trial as the list shows it. */
export function trialLine(db: Db, trial: TrialRow): TrialLine {
  const open = openTrial(db, trial.id)!
  const { run, plan } = trialState(db, open)
  const answers = run !== null && answersAnything(run.log)
  const base = {
    id: trial.id,
    name: trial.name,
    question: trial.question,
    answers,
    next: null,
    archived: trial.archivedAt !== null,
    begunAt: trial.createdAt,
    workedAt: run && run.row.startedAt > trial.createdAt ? run.row.startedAt : trial.createdAt,
  }
  if (!run)
    return {
      ...base,
      state: open.links.length > 0 ? `planned, ${plan}` : 'begun',
      next: nextOf(db, open),
      step: open.links.length > 0 ? 'plan' : 'kit',
    }
  if (run.log.state === 'going' && (run.done < run.total || run.total === 0))
    return {
      ...base,
      state: run.total > 0 ? `${run.done} of ${run.total} checks made` : 'going on',
      step: 'field',
    }
  const { checks, events } = run.log
  const held =
    checks.length > 0 ? countText(checks.length, 'check') : countText(events.length, 'entry', 'entries')
  return { ...base, state: `finished, ${held}`, step: 'findings' }
}
