import type { CheckKey, Mark } from './plan'

/** A check as it was logged; the report is kept as given and read within the listener's scale later. */
export interface CheckBody extends CheckKey {
  text: string
  /** Calls it took, 1 or more. */
  calls: number
  remark: string
  /** "sent": the far end recorded itself and it is still to be graded. */
  state: 'graded' | 'sent'
}

export type EntryBody =
  | ({ kind: 'check' } & CheckBody)
  | { kind: 'skip'; keys: CheckKey[]; reason: string }
  | { kind: 'void'; reason: string }
  | { kind: 'at mark'; markId: string }
  | { kind: 'mark'; mark: Mark; before: string | null }
  | { kind: 'spacing'; legId: string; replaced: string[]; marks: Mark[] }
  | { kind: 'note'; text: string }
  | { kind: 'run'; state: 'finished' | 'reopened' | 'voided'; reason: string }
  /** Kept as given for later: comparisons, conditions, attenuation added, link changes. */
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
