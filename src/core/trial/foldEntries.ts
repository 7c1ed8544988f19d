import { groupedBy } from '@/core/groupedBy'
import type { Link } from '@/core/kit/rig/rig'
import type { Attenuates, Direction } from '@/core/kit/rig/terms'
import type { CheckBody, Entry, EntryBody, Grade } from './entry'
import { keyText, type CheckKey, type Mark } from './plan'
import type { MarkMeans } from './terms'

/** What the log calls it where the ends of the plan were mixed up; once more, and they are as planned. */
export const ENDS_SWAPPED = 'ends swapped'

/** What another device logs by itself once it has the letters of a blind draw. */
export const BLIND_SEEN = 'blind letters seen'

/** A logged check as it stands now. */
export interface LoggedCheck extends CheckBody {
  /** Id of the first entry of its thread. */
  id: string
  time: string
  device: string
  role: string
  voided: { reason: string } | null
  /** How many entries it went through. */
  versions: number
  /** Attenuation that was in when it was made, beyond what its rigs had when the run began, dB. */
  attenuationDb: number
  /** What listeners made of it afterwards; empty for one that was graded on the spot. */
  grades: (Grade & { id: string; time: string })[]
}

/** A check as if it had just been logged. */
export function asLogged(
  body: CheckBody,
  made: { id: string; time: string; device: string; role: string },
): LoggedCheck {
  return { ...body, ...made, voided: null, versions: 1, attenuationDb: 0, grades: [] }
}

/** What an entry that corrects a check takes over from it. */
export function bodyOf(check: LoggedCheck): CheckBody {
  const { linkId, markId, direction, repeat, text, also, calls, remark, state, fix, words } = check
  const bare: CheckBody = { linkId, markId, direction, repeat, text, calls, remark, state }
  return {
    ...bare,
    ...(also === undefined ? {} : { also }),
    ...(fix ? { fix } : {}),
    ...(words ? { words } : {}),
  }
}

/** Anything else that was logged and stands: what was heard on the way, what changed, what was measured. */
export interface LoggedEvent {
  id: string
  time: string
  device: string
  body: Exclude<EntryBody, { kind: 'check' | 'void' | 'run' | 'skip' }>
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
  /** Everything but checks, in the order of logging. */
  events: LoggedEvent[]
  /** Checks asked for once more than planned. */
  repeats: CheckKey[]
  /** Links that nobody planned, and the marks where they are not asked. */
  linksAdded: { link: Link; notAt: string[] }[]
  /** The clock that checks are made by while it is on. */
  clock: { startsAt: string; everyS: number } | null
  /** Links whose rig was taken out and not put back. */
  linksOut: string[]
  /** What the plan has at the base was carried, and what it has out there stood at the base. */
  endsSwapped: boolean
  /** The legs in the order that was chosen out there; empty as planned. */
  legOrder: string[]
  /** Distances measured after the mark was pegged, by mark. */
  measured: Record<string, { distanceM: number; distanceSdM: number; how: MarkMeans }>
  /** Letters of the blind order while it is on. */
  blind: Record<string, string> | null
  /** Attenuation put in out there, dB, and which way it weakens. */
  attenuationDb: number
  weakens: Attenuates
  state: 'going' | 'finished' | 'voided'
  stateReason: string
  /** The newest id of all entries, after which whatever is made next has to come; empty where there is none. */
  newestId: string
  /** The newest entry of its device and thread, for undo; oldest first, voided ones left out. */
  undoable: Entry[]
}

/**
 * An entry with all that corrects it: the first of them, the newest, the newest body that is not a void,
 * whether it is voided, and how many they are.
 */
type VisitThread = (
  root: Entry,
  latest: Entry,
  body: EntryBody,
  voided: { reason: string } | null,
  length: number,
) => void

const inOrder = (a: Entry, b: Entry) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)

/** Every entry once, in the order of their making; logs mostly come so already. */
function once(entries: readonly Entry[]): readonly Entry[] {
  let newest = ''
  for (const { id } of entries) {
    if (id <= newest) return [...new Map(entries.map((e) => [e.id, e])).values()].sort(inOrder)
    newest = id
  }
  return entries
}

/**
 * What an attenuator out there takes from a check, dB. A loop comes back there, so one that weakens what is received
 * does, and one that weakens only what is sent does not: what was sent is sent on at full power.
 */
export function attenuationIn(
  put: { attenuationDb: number; weakens: Attenuates },
  direction: Direction,
): number {
  const spares: Attenuates = direction === 'to base' ? 'receive' : 'transmit'
  return put.weakens === spares ? 0 : put.attenuationDb
}

/** Logged by a device without anybody's asking, so that nobody takes it back. */
const isByItself = (body: EntryBody) =>
  body.kind === 'at mark' || body.kind === 'track' || (body.kind === 'other' && body.what === BLIND_SEEN)

const voidedBy = ({ body }: Entry) => (body.kind === 'void' ? { reason: body.reason } : null)

/**
 * What of a thread holds. An entry wins over the one that it names, whatever the clocks of their devices say; of two
 * that name the same one, made by devices that did not know of each other, the later.
 * @param thread in the order of their ids, two or more
 * @returns the entry that holds, and the newest body on the way to it that is no void
 */
function standingOf(thread: readonly Entry[]): { latest: Entry; body: EntryBody } {
  const named = new Set(thread.map((e) => e.supersedes))
  const latest = thread.findLast((e) => !named.has(e.id)) ?? thread[thread.length - 1]!
  const byId = new Map(thread.map((e) => [e.id, e]))
  const seen = new Set<Entry>()
  let at: Entry | undefined = latest
  while (at && at.body.kind === 'void' && !seen.has(at)) {
    seen.add(at)
    at = at.supersedes === null ? undefined : byId.get(at.supersedes)
  }
  return { latest, body: (at ?? latest).body }
}

/** Goes through the threads in the order of their making; none is kept, since logs are long. */
function eachThread(all: readonly Entry[], visit: VisitThread): void {
  const entries = once(all)
  const corrected = new Set<string>()
  for (const e of entries) if (e.supersedes !== null) corrected.add(e.supersedes)
  // Nearly every entry stands alone, and logs are long: only the rest is looked up.
  const byId = new Map<string, Entry>()
  if (corrected.size > 0)
    for (const e of entries) if (e.supersedes !== null || corrected.has(e.id)) byId.set(e.id, e)
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
  const groups = groupedBy(byId.values(), (e) => rootOf(e).id)
  for (const e of entries) {
    const list = groups.get(e.id)
    if (list && list.length > 1) {
      const { latest, body } = standingOf(list)
      visit(e, latest, body, voidedBy(latest), list.length)
    } else if (list || !byId.has(e.id)) visit(e, e, e.body, voidedBy(e), 1)
  }
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
    events: [],
    repeats: [],
    linksAdded: [],
    clock: null,
    linksOut: [],
    endsSwapped: false,
    legOrder: [],
    measured: {},
    blind: null,
    attenuationDb: 0,
    weakens: 'both ways',
    state: 'going',
    stateReason: '',
    newestId: '',
    undoable: [],
  }
  let stateAt = ''
  let atMark = ''
  for (const { id } of entries) if (id > log.newestId) log.newestId = id
  eachThread(entries, (root, latest, body, voided, length) => {
    if (!voided && !isByItself(body)) log.undoable.push(latest)
    if (body.kind === 'check') {
      const { id, wallTime: time, device, role } = root
      // Threads come in the order of their making, so what is in now was in then.
      const attenuationDb = attenuationIn(log, body.direction)
      const { linkId, markId, direction, repeat, text, calls, remark, state } = body
      const check: LoggedCheck = {
        linkId,
        markId,
        direction,
        repeat,
        text,
        calls,
        remark,
        state,
        id,
        time,
        device,
        role,
        voided,
        versions: length,
        attenuationDb,
        grades: [],
      }
      if (body.also !== undefined) check.also = body.also
      if (body.fix !== undefined) check.fix = body.fix
      if (body.words !== undefined) check.words = body.words
      log.checks.push(check)
      return
    }
    if (voided) return
    if (body.kind !== 'skip' && body.kind !== 'run' && body.kind !== 'void') {
      log.events.push({ id: root.id, time: root.wallTime, device: root.device, body })
      standing(log, body)
    }
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
  })
  if (log.undoable.some((e, i, all) => i > 0 && all[i - 1]!.id > e.id)) log.undoable.sort(inOrder)
  applyGrades(log)
  return log
}

/**
 * A check that was sent only takes what its listeners made of it. Where two do not agree the first one's stands until
 * somebody settles it, which is a correction of the check itself.
 */
function applyGrades(log: RunLog): void {
  if (!log.events.some((e) => e.body.kind === 'grade')) return
  const byId = new Map(log.checks.map((c) => [c.id, c]))
  for (const { id, time, body } of log.events) {
    if (body.kind !== 'grade') continue
    const { kind: _kind, ...grade } = body
    byId.get(body.checkId)?.grades.push({ ...grade, id, time })
  }
  for (const check of log.checks)
    if (check.state === 'sent' && check.grades.length > 0) {
      check.state = 'graded'
      check.text = check.grades[0]!.text
    }
}

/** What an event makes of the plan from there on; events come in the order of their making. */
function standing(log: RunLog, body: LoggedEvent['body']): void {
  if (body.kind === 'change') {
    if (body.what === 'rig out' && body.linkId && !log.linksOut.includes(body.linkId))
      log.linksOut.push(body.linkId)
    if (body.what === 'rig back') log.linksOut = log.linksOut.filter((l) => l !== body.linkId)
    if (body.what === 'attenuator') {
      log.attenuationDb = body.db ?? 0
      log.weakens = body.weakens ?? 'both ways'
    }
  } else if (body.kind === 'leg order') log.legOrder = body.legIds
  else if (body.kind === 'repeat') log.repeats.push(body.key)
  else if (body.kind === 'link') log.linksAdded.push({ link: body.link, notAt: body.notAt })
  else if (body.kind === 'clock')
    log.clock = body.on ? { startsAt: body.startsAt, everyS: body.everyS } : null
  else if (body.kind === 'other' && body.what === ENDS_SWAPPED) log.endsSwapped = !log.endsSwapped
  else if (body.kind === 'blind') log.blind = body.on ? body.letters : null
  else if (body.kind === 'measured') {
    const { markId, distanceM, distanceSdM, how } = body
    log.measured[markId] = { distanceM, distanceSdM, how }
  }
}

/** The checks that count: voided ones left out. */
export function standingChecks(log: RunLog): LoggedCheck[] {
  return log.checks.filter((c) => c.voided === null)
}

/** What was noted on the way: edges walked and changes by ear. */
export function notedIn(log: RunLog): number {
  return log.events.filter((e) => e.body.kind === 'edge' || e.body.kind === 'state').length
}

/** Checks that were sent and are not graded yet. */
export function waitingForGrades(log: RunLog): number {
  return standingChecks(log).filter((c) => c.state === 'sent').length
}

/** Keys of what is done or skipped. */
export function settledKeys(log: RunLog): Set<string> {
  return new Set([...standingChecks(log).map(keyText), ...log.skipped.map(keyText)])
}
