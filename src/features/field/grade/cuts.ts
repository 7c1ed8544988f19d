import { listenerOf, type Listener } from '@/core/kit'
import { seededRandom } from '@/core/stats'
import type { LoggedCheck, LoggedEvent, Recording, RunLog } from '@/core/trial'

/** A stretch of a recording to be listened to: a check that was sent, or a change marked without looking. */
export interface Cut {
  id: string
  about: { kind: 'check'; check: LoggedCheck } | { kind: 'state'; event: LoggedEvent }
  /** Seconds into the recording; may lie outside it. */
  fromS: number
  toS: number
  /** All of it lies inside the recording. */
  inside: boolean
}

/** How much is cut around the moment of sending, s. */
export interface CutLength {
  beforeS: number
  afterS: number
}

/** When a recording began, so that a moment of it falls on a time. @returns UTC, ISO 8601 */
export function startFrom(momentS: number, time: string): string {
  return new Date(Date.parse(time) - momentS * 1000).toISOString()
}

/** Seconds into the recording at a time; null until it is aligned. */
export function secondsAt(recording: Pick<Recording, 'startsAt'>, time: string): number | null {
  return recording.startsAt === null ? null : (Date.parse(time) - Date.parse(recording.startsAt)) / 1000
}

/** Sent checks that the recording's end was to hear, in the order of sending. */
export function sentTo(log: RunLog, at: Listener): LoggedCheck[] {
  return log.checks.filter(
    (c) =>
      c.voided === null &&
      (c.state === 'sent' || c.grades.length > 0) &&
      (c.direction === 'loop' || listenerOf(c.direction) === at),
  )
}

/** What is to be listened to in a recording, in the order of time. */
export function cutsOf(log: RunLog, recording: Recording, length: CutLength): Cut[] {
  const cut = (id: string, time: string, about: Cut['about']): Cut | null => {
    const at = secondsAt(recording, time)
    if (at === null) return null
    const [fromS, toS] = [at - length.beforeS, at + length.afterS]
    return {
      id,
      about,
      fromS,
      toS,
      inside: fromS >= -length.beforeS && toS <= recording.seconds + length.afterS,
    }
  }
  const states = log.events.filter((e) => e.body.kind === 'state' && e.body.state === null)
  return [
    ...sentTo(log, recording.at).map((check) => cut(check.id, check.time, { kind: 'check', check })),
    ...states.map((event) => cut(event.id, event.time, { kind: 'state', event })),
  ]
    .filter((c) => c !== null)
    .sort((a, b) => a.fromS - b.fromS)
}

/** The order of listening: as they were sent, or shuffled by a seed, so that neighbours tell nothing. */
export function listeningOrder<T>(cuts: readonly T[], blind: boolean, seed: number): T[] {
  return blind ? seededRandom(seed).shuffled([...cuts]) : [...cuts]
}

/** How two listeners agree over the checks that both graded. */
export interface Agreement {
  listeners: [string, string]
  both: number
  alike: number
  differ: LoggedCheck[]
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()

/** Null where there are not two listeners. A check that was settled counts as it was graded. */
export function agreementOf(checks: readonly LoggedCheck[]): Agreement | null {
  const listeners = [...new Set(checks.flatMap((c) => c.grades.map((g) => g.listener)))].sort()
  const [first, second] = listeners
  if (first === undefined || second === undefined) return null
  const of = (c: LoggedCheck, who: string) => c.grades.findLast((g) => g.listener === who)
  const both = checks.filter((c) => of(c, first) && of(c, second))
  const differ = both.filter((c) => !same(of(c, first)!.text, of(c, second)!.text))
  return { listeners: [first, second], both: both.length, alike: both.length - differ.length, differ }
}
