import { countText } from '@/core/units'
import { needsMarks, plannedChecks } from '@/core/trial'
import {
  countMeasurements,
  lettersOf,
  openTrial,
  planOf,
  runHeads,
  whileUnchanged,
  type Db,
  type OpenTrial,
  type TrialRow,
} from '@/data'
import { runStateOf, type RunState } from './runState'
import type { TrialLine } from './trialLineType'

/** Where a trial stands: its steps in a few words each. Shared by the list and the rail. */
export interface TrialState {
  kit: string
  bench: string
  ground: string
  plan: string
  field: string
  findings: string
  reach: string
  /** The run that counts: the newest not voided, or null. */
  run: (RunState & { startedAt: string }) | null
}

/** What of a trial has nothing to do with its log. */
interface Standing {
  kit: string
  ground: string
  plan: string
  /** The base has coordinates. */
  placed: boolean
  links: number
  /** What it wants next while it has no run. */
  next: string
  /** The newest first. */
  runs: { id: string; startedAt: string }[]
}

const standing = (db: Db, id: string): Standing =>
  whileUnchanged(db, `standing of ${id}`, () => {
    const open = openTrial(db, id)!
    const rigs = lettersOf(db, id).size
    const marks = open.legs.reduce((s, l) => s + l.marks.length, 0)
    const checks = plannedChecks(planOf(open)).length
    return {
      kit: rigs > 0 ? `${countText(rigs, 'rig')} in it` : 'no rigs yet',
      ground: open.site
        ? `${countText(open.legs.length, 'leg')}, ${countText(marks, 'mark')}`
        : 'no base yet',
      plan: checks > 0 ? countText(checks, 'check') : planWords(open),
      placed: open.site?.lat != null,
      links: open.links.length,
      next: nextOf(open, rigs),
      runs: runHeads(db, id),
    }
  })

export function trialState(db: Db, trialId: string): TrialState {
  const { kit, ground, plan, placed, links, runs } = standing(db, trialId)
  const counting =
    runs
      .map(({ id, startedAt }) => ({ startedAt, ...runStateOf(db, id) }))
      .find((r) => r.state !== 'voided') ?? null
  const measured = countMeasurements(db)
  return {
    kit,
    bench: measured > 0 ? `${measured} measured` : 'nothing measured',
    ground,
    plan,
    field: counting
      ? `${counting.done} of ${countText(counting.total, 'check')}`
      : runs.length > 0
        ? 'run voided'
        : 'no run yet',
    findings: counting?.answers === true ? countText(links, 'rig') + ' compared' : 'nothing logged',
    reach:
      !placed || links === 0
        ? 'no map yet'
        : counting?.answers === true
          ? 'corrected by the log'
          : 'the prediction alone',
    run: counting,
  }
}

/** A plan without checks of its own. */
function planWords({ trial, links }: OpenTrial): string {
  if (needsMarks(trial.way) || links.length === 0) return 'nothing to make'
  return countText(links.length, 'link')
}

/** What a trial without a run wants next. */
function nextOf(open: OpenTrial, rigs: number): string {
  if (rigs === 0) return 'bring the rigs together that are compared.'
  if (open.links.length === 0) return 'say what is compared.'
  if (needsMarks(open.trial.way) && open.legs.every((l) => l.marks.length === 0))
    return 'set marks to stop at.'
  return 'begin a run.'
}

/** A trial as the list shows it. */
export function trialLine(db: Db, trial: TrialRow): TrialLine {
  const { links, next } = standing(db, trial.id)
  const { run, plan } = trialState(db, trial.id)
  const answers = run?.answers === true
  const base = {
    id: trial.id,
    name: trial.name,
    question: trial.question,
    answers,
    next: null,
    archived: trial.archivedAt !== null,
  }
  if (!run)
    return {
      ...base,
      state: links > 0 ? `planned, ${plan}` : 'begun',
      next,
      step: links > 0 ? 'plan' : 'kit',
    }
  if (run.state === 'going' && (run.done < run.total || run.total === 0))
    return {
      ...base,
      state: run.total > 0 ? `${run.done} of ${run.total} checks made` : 'going on',
      step: 'field',
    }
  const { checks, events } = run
  const held = checks > 0 ? countText(checks, 'check') : countText(events, 'entry', 'entries')
  return { ...base, state: `finished, ${held}`, step: 'findings' }
}
