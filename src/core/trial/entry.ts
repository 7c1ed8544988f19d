import type { Direction, Link, Listener } from '@/core/kit/rig'
import type { CheckKey, Mark, MarkMeans } from './plan'

/** Where somebody stood, and how well that is known. */
export interface Fix {
  lat: number
  lon: number
  /** As the receiver says, m; null where it does not. */
  accuracyM: number | null
}

/** Five code words of a check: what was read out, and what the listener took down. */
export interface CopiedWords {
  sent: string[]
  taken: string[]
}

/** A check as it was logged; the report is kept as given and read within the listener's scale later. */
export interface CheckBody extends CheckKey {
  text: string
  /** Calls it took, 1 or more. */
  calls: number
  remark: string
  /** "sent": the far end recorded itself and it is still to be graded. */
  state: 'graded' | 'sent'
  fix?: Fix | null
  words?: CopiedWords | null
}

/** What a listener says on a quick switch from one link to another. */
export const COMPARISONS = [
  'better',
  'a little better',
  'the same',
  'a little worse',
  'worse',
  'gone',
] as const
export type Comparison = (typeof COMPARISONS)[number]

export type ChangeKind = 'attenuator' | 'rig out' | 'rig back' | 'pose' | 'part' | 'other'

/** What a check was graded as, by somebody who listened to it afterwards. */
export interface Grade {
  checkId: string
  /** Who listened: "first", "second" or a name. */
  listener: string
  text: string
  /** The listener knew neither rig nor mark. */
  blind: boolean
}

/** What a data link carried: throughput in Mbit/s, or delay in ms, and what bounds it besides the radio. */
export interface Carried {
  markId: string
  linkId: string
  direction: Direction
  what: 'throughput' | 'delay'
  value: number
  server: string
  /** What lies between: "through the relay", "own server on the base". */
  path: string
  /** What the contract or the line allows, in the same unit; null where nothing is known to cap it. */
  cap: number | null
}

/** A long recording of what one end heard, for grading afterwards. The sound itself is kept beside the log. */
export interface Recording {
  mediaId: string
  name: string
  /** Which end it was made at. */
  at: Listener
  seconds: number
  /** UTC of its first moment by the log's clock; null until it is aligned. */
  startsAt: string | null
  /** How that was come by, in words. */
  aligned: string
}

export type EntryBody =
  | ({ kind: 'check' } & CheckBody)
  | { kind: 'skip'; keys: CheckKey[]; reason: string }
  | { kind: 'void'; reason: string }
  | { kind: 'at mark'; markId: string; fix?: Fix | null }
  | { kind: 'mark'; mark: Mark; before: string | null }
  | { kind: 'spacing'; legId: string; replaced: string[]; marks: Mark[] }
  | { kind: 'note'; text: string }
  | { kind: 'run'; state: 'finished' | 'reopened' | 'voided'; reason: string }
  /** The second link against the first, switched at once. */
  | {
      kind: 'compare'
      markId: string
      direction: Direction
      links: [string, string]
      said: Comparison
      text: string
    }
  /** Walking on until it is lost. */
  | {
      kind: 'edge'
      legId: string
      linkId: string
      direction: Direction
      what: 'last heard' | 'first lost' | 'heard again'
      distanceM: number
      fix: Fix | null
    }
  /** A change by ear of a continuous signal; null is a no-look mark, to be named when parked. */
  | {
      kind: 'state'
      linkId: string
      way: 'out' | 'home'
      state: string | null
      distanceM: number | null
      fix: Fix | null
    }
  | { kind: 'noise'; markId: string | null; text: string; note: string }
  | {
      kind: 'scan'
      markId: string | null
      channels: { channel: string; level: string; others: number | null }[]
    }
  /** The way walked: ms since the epoch, latitude, longitude, accuracy in m. */
  | { kind: 'track'; points: [number, number, number, number | null][] }
  | { kind: 'conditions'; when: 'start' | 'change' | 'end'; values: Record<string, string>; ticked: string[] }
  | { kind: 'change'; what: ChangeKind; linkId: string | null; db: number | null; text: string }
  /** Letters drawn for a blind order, by link; off is the unblinding. */
  | { kind: 'blind'; on: boolean; letters: Record<string, string> }
  | { kind: 'measured'; markId: string; how: MarkMeans; distanceM: number; distanceSdM: number }
  | { kind: 'leg order'; legIds: string[] }
  /** Somebody who joined in, with what they say of themselves. */
  | {
      kind: 'station'
      name: string
      place: string
      direction: Direction
      linkId: string | null
      text: string
    }
  /** A check that surprised is asked for once more, beyond the plan. */
  | { kind: 'repeat'; key: CheckKey }
  /** A link nobody planned; asked at every mark but those passed already. Figures may be described later. */
  | { kind: 'link'; link: Link; notAt: string[]; described: boolean }
  /** Checks are made by the clock, a window every so often from a moment on, because the two cannot talk. */
  | { kind: 'clock'; startsAt: string; everyS: number; on: boolean }
  /** A photo, or what came out of the speaker; the bytes are kept beside the log. */
  | {
      kind: 'media'
      mediaId: string
      what: 'photo' | 'sound'
      type: string
      seconds: number | null
      about: CheckKey | null
      note: string
    }
  | ({ kind: 'recording' } & Recording)
  | ({ kind: 'grade' } & Grade)
  | ({ kind: 'carried' } & Carried)
  /** Kept as given for later. */
  | { kind: 'other'; what: string; detail: Record<string, unknown> }

/** One line of the append-only log. Never changed; a correction or a void is a new one that supersedes it. */
export interface Entry {
  /** UUIDv7, made where the entry is made: its order is the order of making. */
  id: string
  runId: string
  device: string
  /** Role of whoever logged it: "out there", "base", "import". */
  role: string
  /** UTC, ISO 8601. */
  wallTime: string
  /** Counts up on its device. */
  seq: number
  supersedes: string | null
  body: EntryBody
}
