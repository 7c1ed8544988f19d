import { answersAnything } from '@/core/findings'
import { schedule } from '@/core/trial'
import { countEntries, getRun, logOf, type Db } from '@/data'

/** Where a run stands, in figures. */
export interface RunState {
  state: 'going' | 'finished' | 'voided'
  /** Checks of the schedule that were made or skipped, and how many it has. */
  done: number
  total: number
  checks: number
  events: number
  /** It holds something that an answer can be made from. */
  answers: boolean
}

interface Kept {
  /** Entries that it was made from: entries only ever come. */
  held: number
  state: RunState
}
const kept = new WeakMap<Db, Map<string, Kept>>()

/** Where a run stands; its log is folded anew only where something has come. */
export function runStateOf(db: Db, id: string): RunState {
  const known = kept.get(db) ?? new Map<string, Kept>()
  kept.set(db, known)
  const held = countEntries(db, id)
  const before = known.get(id)
  if (before?.held === held) return before.state
  const log = logOf(db, id)
  const all = schedule(getRun(db, id)!.plan, log)
  const state: RunState = {
    state: log.state,
    done: all.filter((c) => c.state !== 'to do').length,
    total: all.length,
    checks: log.checks.length,
    events: log.events.length,
    answers: answersAnything(log),
  }
  known.set(id, { held, state })
  return state
}
