import type { CheckBody, Entry, EntryBody } from './entry'
import { keyText, type CheckKey, type Mark } from './plan'

/** A logged check as it stands now. */
export interface LoggedCheck extends CheckBody {
  /** Id of the first entry of its thread. */
  id: string
  time: string
  voided: { reason: string } | null
  /** How many entries it went through. */
  versions: number
}

/** What a run's log is now. */
export interface RunLog {
  /** In the order of logging, voided ones included and marked. */
  checks: LoggedCheck[]
  skipped: (CheckKey & { reason: string })[]
  /** Marks added or put in place of others, and those taken out. */
  marksAdded: { mark: Mark; before: string | null }[]
  marksReplaced: string[]
  currentMark: string | null
  notes: { id: string; time: string; text: string }[]
  state: 'going' | 'finished' | 'voided'
  stateReason: string
  /** The newest entry of its device and thread, for undo; oldest first, voided ones left out. */
  undoable: Entry[]
}

interface Thread {
  root: Entry
  latest: Entry
  /** Newest body that is not a void. */
  body: EntryBody
  voided: { reason: string } | null
  length: number
}

function threads(entries: readonly Entry[]): Thread[] {
  const byId = new Map<string, Entry>()
  for (const e of entries) byId.set(e.id, e)
  const rootOf = (e: Entry): Entry => {
    let at = e
    const seen = new Set<string>()
    while (at.supersedes !== null && !seen.has(at.id)) {
      seen.add(at.id)
      const next = byId.get(at.supersedes)
      if (!next) break
      at = next
    }
    return at
  }
  const groups = new Map<string, Entry[]>()
  for (const e of byId.values()) {
    const root = rootOf(e).id
    groups.set(root, [...(groups.get(root) ?? []), e])
  }
  const order = (a: Entry, b: Entry) => (a.id < b.id ? -1 : 1)
  return [...groups.entries()]
    .map(([rootId, list]) => {
      const sorted = list.sort(order)
      const latest = sorted[sorted.length - 1]!
      const standing = [...sorted].reverse().find((e) => e.body.kind !== 'void')
      return {
        root: byId.get(rootId)!,
        latest,
        body: (standing ?? latest).body,
        voided: latest.body.kind === 'void' ? { reason: latest.body.reason } : null,
        length: sorted.length,
      }
    })
    .sort((a, b) => order(a.root, b.root))
}

/**
 * Folds the log's entries into what the log is now. The order in which they come and how often does not matter: a
 * correction replaces, a void hides but stays listed, and two devices' logs merge by union.
 * @param entries of one run
 */
export function foldEntries(entries: readonly Entry[]): RunLog {
  const log: RunLog = {
    checks: [],
    skipped: [],
    marksAdded: [],
    marksReplaced: [],
    currentMark: null,
    notes: [],
    state: 'going',
    stateReason: '',
    undoable: [],
  }
  let stateAt = ''
  let atMark = ''
  for (const { root, latest, body, voided, length } of threads(entries)) {
    if (!voided && body.kind !== 'at mark') log.undoable.push(latest)
    if (body.kind === 'check') {
      const { kind: _kind, ...check } = body
      log.checks.push({ ...check, id: root.id, time: root.wallTime, voided, versions: length })
      continue
    }
    if (voided) continue
    if (body.kind === 'skip') log.skipped.push(...body.keys.map((k) => ({ ...k, reason: body.reason })))
    else if (body.kind === 'mark') log.marksAdded.push({ mark: body.mark, before: body.before })
    else if (body.kind === 'spacing') {
      log.marksReplaced.push(...body.replaced)
      const after = body.replaced[0] ?? null
      log.marksAdded.push(...body.marks.map((mark) => ({ mark, before: after })))
    } else if (body.kind === 'note') log.notes.push({ id: root.id, time: root.wallTime, text: body.text })
    else if (body.kind === 'at mark' && latest.id > atMark) {
      atMark = latest.id
      log.currentMark = body.markId
    } else if (body.kind === 'run' && latest.id > stateAt) {
      stateAt = latest.id
      log.state = body.state === 'reopened' ? 'going' : body.state
      log.stateReason = body.reason
    }
  }
  log.undoable.sort((a, b) => (a.id < b.id ? -1 : 1))
  return log
}

/** The checks that count: voided ones left out. */
export function standingChecks(log: RunLog): LoggedCheck[] {
  return log.checks.filter((c) => c.voided === null)
}

/** Keys of what is done or skipped. */
export function settledKeys(log: RunLog): Set<string> {
  return new Set([...standingChecks(log).map(keyText), ...log.skipped.map(keyText)])
}
