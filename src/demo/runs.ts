import { v7 } from 'uuid'
import { simulateRun, type SimulatedField } from '@/core/sim'
import type { CheckBody, Entry } from '@/core/trial'
import { appendEntries, openTrial, planOf, startRun, type Db } from '@/data'

interface RunFacts {
  name: string
  startedAt: string
  end: { state: 'finished' | 'voided'; reason: string } | null
  note: string
}

/** A run whose checks are simulated. */
export interface RunSeed extends RunFacts {
  field: SimulatedField
  upTo: number
  /** Logged after the last check, a minute apart. */
  after?: readonly Entry['body'][]
}

/** A run whose entries are given, minutes after its start; checks or not. */
export interface LoggedRun extends RunFacts {
  entries: readonly { minute: number; body: Entry['body'] }[]
}

/** Entries of a run by the simulated clock; their ids are made from it, so that their order is that of time. */
class Log {
  readonly entries: Entry[] = []
  constructor(
    private readonly runId: string,
    private clock: number,
  ) {}

  pass(ms: number): void {
    this.clock += ms
  }

  add(body: Entry['body']): void {
    const seq = this.entries.length
    this.entries.push({
      id: v7({ msecs: this.clock, seq }),
      runId: this.runId,
      device: 'demo',
      role: 'out there',
      wallTime: new Date(this.clock).toISOString(),
      seq,
      supersedes: null,
      body,
    })
  }
}

function begin(db: Db, trialId: string, { name, startedAt, note }: RunFacts): Log {
  const plan = planOf(openTrial(db, trialId)!)
  const runId = startRun(db, trialId, name, plan, { note, fixedBeforehand: true, imported: false }, startedAt)
  return new Log(runId, Date.parse(startedAt))
}

/** Carries a trial's plan out in a simulated field. */
export function makeRun(db: Db, trialId: string, seed: RunSeed): void {
  const log = begin(db, trialId, seed)
  let markId = ''
  for (const check of simulateRun(planOf(openTrial(db, trialId)!), seed.field, seed.upTo)) {
    if (check.markId !== markId) {
      markId = check.markId
      log.pass(6 * 60_000)
      log.add({ kind: 'at mark', markId })
    }
    log.pass(28_000 + 14_000 * check.calls)
    log.add({ kind: 'check', ...(check satisfies CheckBody) })
  }
  for (const body of seed.after ?? []) {
    log.pass(60_000)
    log.add(body)
  }
  if (seed.end) log.add({ kind: 'run', ...seed.end })
  appendEntries(db, log.entries)
}

/** Logs a run as it is given. */
export function logRun(db: Db, trialId: string, run: LoggedRun): void {
  const log = begin(db, trialId, run)
  let last = 0
  for (const { minute, body } of run.entries) {
    log.pass((minute - last) * 60_000)
    last = minute
    log.add(body)
  }
  if (run.end) log.add({ kind: 'run', ...run.end })
  appendEntries(db, log.entries)
}
