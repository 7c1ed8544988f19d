import {
  needsMarks,
  notedIn,
  schedule,
  standingChecks,
  waitingForGrades,
  type RunLog,
  type TrialPlan,
} from '@/core/trial'
import { listRuns, logOf, type Db, type OpenTrial } from '@/data'
import type { RunLine } from './RunList'

/** The runs of a trial as the field step lists them. */
export function runLines(db: Db, trialId: string): RunLine[] {
  return listRuns(db, trialId).map((r) => {
    const log = logOf(db, r.id)
    return {
      id: r.id,
      name: r.name,
      startedAt: r.startedAt,
      state: log.state,
      reason: log.stateReason,
      logged: standingChecks(log).length,
      total: schedule(r.plan, log).length,
      noted: notedIn(log),
      note: r.conditions.note,
      toGrade: toGrade(log),
      toDescribe: toDescribe(log),
    }
  })
}

function toGrade(log: RunLog): number {
  const graded = log.checks.filter((c) => !c.voided && c.state !== 'sent' && c.grades.length > 0)
  const marked = log.events.filter((e) => e.body.kind === 'state' && e.body.state === null)
  return waitingForGrades(log) + graded.length + marked.length
}

function toDescribe(log: RunLog): RunLine['toDescribe'] {
  return log.events.flatMap(({ body }) =>
    body.kind === 'link' && !body.described ? [{ linkId: body.link.id, name: body.link.name }] : [],
  )
}

/** What a run still wants before it can begin; null where nothing. */
export function whatIsMissing(open: OpenTrial): string | null {
  if (open.links.length === 0)
    return 'The plan compares nothing yet. Add the rigs under Kit; what is compared stands under Plan.'
  if (needsMarks(open.trial.way) && open.legs.every((l) => l.marks.length === 0))
    return 'There are no marks to stop at. Set them under Ground.'
  return null
}

/** The newest run that is not void, with its log, for the strip. */
export function currentRun(db: Db, trialId: string): { plan: TrialPlan; log: RunLog } | null {
  for (const { id, plan } of listRuns(db, trialId)) {
    const log = logOf(db, id)
    if (log.state !== 'voided') return { plan, log }
  }
  return null
}
