import type { InferType } from 'yup'
import { validate as isUuid } from 'uuid'
import * as yup from 'yup'
import { ATTENUATES, DIRECTIONS, LISTENERS } from '@/core/kit/rig/terms'
import { linkRecord } from '@/core/kit/rig/rigRecord'
import {
  dictionary,
  figure,
  flag,
  id,
  list,
  MAX_LETTERS,
  moment,
  oneOf,
  record,
  text,
  variant,
} from '@/core/schema'
import { COMPARISONS, MARK_MEANS } from './terms'
import { checkKeyFields, checkKeyRecord, markRecord } from './planRecord'

const direction = oneOf(DIRECTIONS)
const farthestM = 2e6
const distanceM = () => figure().min(0).max(farthestM)
const note = () => text(MAX_LETTERS.shortNote).defined()
/** An id that may be left open. */
const idOrNull = () => id().nullable().defined()

const fixRecord = record({
  lat: figure().min(-90).max(90).required(),
  lon: figure().min(-180).max(180).required(),
  /** As the receiver says, m; null where it does not. */
  accuracyM: figure().min(0).nullable().defined(),
})

/** Where somebody stood, and how well that is known. */
export type PositionFix = InferType<typeof fixRecord>
const fix = fixRecord.nullable().defined()
/** Absent in entries of devices that kept no positions. */
const fixIfAny = fixRecord.nullable().optional().default(undefined)

const checkFields = {
  ...checkKeyFields,
  text: text(MAX_LETTERS.report).required(),
  /** Its second figure, where the plan asks for one; absent where none was given. */
  also: text(MAX_LETTERS.report).optional(),
  /** Calls it took, 1 or more. */
  calls: figure().integer().min(1).max(99).required(),
  remark: text(MAX_LETTERS.remark).defined(),
  /** "sent": the far end recorded itself and it is still to be graded. */
  state: oneOf(['graded', 'sent']),
  fix: fixIfAny,
  /** Code words of a check: what was read out, and what the listener took down. */
  words: record({
    sent: list(text(40).required(), 20).required(),
    taken: list(text(40).defined(), 20).required(),
  })
    .nullable()
    .optional()
    .default(undefined),
}
/** A check as it was logged; the report is kept as given and read within the listener's scale later. */
export type CheckBody = Held<'check'>

const gradeFields = {
  checkId: id(),
  /** Who listened: "first", "second" or a name. */
  listener: text(MAX_LETTERS.name).required(),
  text: text(MAX_LETTERS.report).required(),
  /** The listener knew neither rig nor mark. */
  blind: flag().required(),
}
/** What a check was graded as, by somebody who listened to it afterwards. */
export type Grade = Held<'grade'>

const carriedFields = {
  markId: id(),
  linkId: id(),
  direction,
  what: oneOf(['throughput', 'delay']),
  value: figure().min(0).max(1e6).required(),
  server: text(MAX_LETTERS.line).required(),
  /** What lies between: "through the relay", "own server on the base". */
  path: text(MAX_LETTERS.line).defined(),
  /** What the contract or the line allows, in the same unit; null where nothing is known to cap it. */
  cap: figure().moreThan(0).max(1e6).nullable().defined(),
}
/** What a data link carried: throughput in Mbit/s, or delay in ms, and what bounds it besides the radio. */
export type Carried = Held<'carried'>

const recordingFields = {
  mediaId: id(),
  name: text(MAX_LETTERS.fileName).required(),
  /** Which end it was made at. */
  at: oneOf(LISTENERS),
  seconds: figure().min(0).max(1e6).required(),
  /** UTC of its first moment by the log's clock; null until it is aligned. */
  startsAt: moment().nullable().defined(),
  /** How that was come by, in words. */
  aligned: note(),
}
/** A long recording of what one end heard, for grading afterwards. The sound itself is kept beside the log. */
export type Recording = Held<'recording'>

/** What each kind of entry holds. The types of the log, and what the border takes in, are both made of this. */
const ENTRY_KINDS = {
  check: checkFields,
  skip: { keys: list(checkKeyRecord.required(), 20_000).required(), reason: note() },
  void: { reason: note() },
  'at mark': { markId: id(), fix: fixIfAny },
  mark: { mark: markRecord.required(), before: idOrNull() },
  spacing: {
    legId: id(),
    replaced: list(id(), 20_000).required(),
    marks: list(markRecord.required(), 5000).required(),
  },
  note: { text: text(MAX_LETTERS.note).required() },
  run: { state: oneOf(['finished', 'reopened', 'voided']), reason: note() },
  /** The second link against the first, switched at once. */
  compare: {
    markId: id(),
    direction,
    links: yup.tuple([id(), id()]).required(),
    said: oneOf(COMPARISONS),
    text: note(),
  },
  /** Walking on until it is lost. */
  edge: {
    legId: id(),
    linkId: id(),
    direction,
    what: oneOf(['last heard', 'first lost', 'heard again']),
    distanceM: distanceM().required(),
    fix,
  },
  /** A change by ear of a continuous signal; null is a no-look mark, to be named when parked. */
  state: {
    linkId: id(),
    way: oneOf(['out', 'home']),
    state: text(80).nullable().defined(),
    distanceM: distanceM().nullable().defined(),
    fix,
  },
  noise: { markId: idOrNull(), text: text(MAX_LETTERS.report).required(), note: note() },
  scan: {
    markId: idOrNull(),
    channels: list(
      record({
        channel: text(40).required(),
        level: text(40).defined(),
        others: figure().integer().min(0).max(1e6).nullable().defined(),
      }).required(),
      500,
    )
      .min(1)
      .required(),
  },
  /** The way walked: ms since the epoch, latitude, longitude, accuracy in m. */
  track: {
    points: list(
      yup
        .tuple([
          figure().required(),
          figure().min(-90).max(90).required(),
          figure().min(-180).max(180).required(),
          figure().min(0).nullable().defined(),
        ])
        .required(),
      5000,
    )
      .min(1)
      .required(),
  },
  conditions: {
    when: oneOf(['start', 'change', 'end']),
    values: dictionary(text(MAX_LETTERS.report).defined()),
    ticked: list(text(MAX_LETTERS.line).required(), 60).required(),
  },
  change: {
    what: oneOf(['attenuator', 'rig out', 'rig back', 'pose', 'part', 'other']),
    linkId: idOrNull(),
    db: figure().min(0).max(200).nullable().defined(),
    /** Of an attenuator out there; absent where nobody was asked, which is both ways. */
    weakens: oneOf(ATTENUATES).optional(),
    text: note(),
  },
  /** Letters drawn for a blind order, by link; off is the unblinding. */
  blind: { on: flag().required(), letters: dictionary(text(MAX_LETTERS.letter).defined()) },
  measured: {
    markId: id(),
    how: oneOf(MARK_MEANS),
    distanceM: distanceM().moreThan(0).required(),
    distanceSdM: distanceM().required(),
  },
  'leg order': { legIds: list(id(), 1000).required() },
  /** Somebody who joined in, with what they say of themselves. */
  station: {
    name: text(80).required(),
    place: text(MAX_LETTERS.line).defined(),
    direction,
    linkId: idOrNull(),
    text: text(MAX_LETTERS.report).defined(),
    /** On the move when it was heard; absent where nobody asked. */
    moving: flag().optional(),
    /** How far off, m; null until somebody knows. */
    distanceM: distanceM().nullable().optional(),
    /** What it said of its link against another, on a quick switch. */
    against: record({ linkId: id(), said: oneOf(COMPARISONS) })
      .nullable()
      .optional()
      .default(undefined),
  },
  /** A check that surprised is asked for once more, beyond the plan. */
  repeat: { key: checkKeyRecord.required() },
  /** A link nobody planned; asked at every mark but those passed already. Figures may be described later. */
  link: { link: linkRecord.required(), notAt: list(id(), 20_000).required(), described: flag().required() },
  /** Checks are made by the clock, a window every so often from a moment on, because the two cannot talk. */
  clock: {
    startsAt: moment().required(),
    everyS: figure().integer().min(5).max(86_400).required(),
    on: flag().required(),
  },
  /** A photo, or what came out of the speaker; the bytes are kept beside the log. */
  media: {
    mediaId: id(),
    what: oneOf(['photo', 'sound']),
    type: text(120)
      .matches(/^(image|audio)\/[\w.+-]+(;.*)?$/, 'type must be that of a picture or a sound')
      .required(),
    seconds: figure().min(0).max(1e6).nullable().defined(),
    about: checkKeyRecord.nullable().default(null),
    note: note(),
  },
  recording: recordingFields,
  grade: gradeFields,
  carried: carriedFields,
  /** What the screen keeps for later: a moment to align by, an identification, a test that told a cause. */
  other: {
    what: text(80).required(),
    detail: dictionary(
      yup
        .mixed<string | number | boolean>()
        .test(
          'plain',
          '${path} must be a text, a number, or true or false',
          (v) =>
            v === undefined ||
            (typeof v === 'string' && v.length <= MAX_LETTERS.note) ||
            (typeof v === 'number' && Number.isFinite(v)) ||
            typeof v === 'boolean',
        ),
    ),
  },
} satisfies Record<string, yup.ObjectShape>

const bodyRecord = variant('kind', ENTRY_KINDS)
export type EntryBody = InferType<typeof bodyRecord>

/** What an entry of a kind holds, besides its kind. */
type Held<K extends EntryBody['kind']> = Omit<Extract<EntryBody, { kind: K }>, 'kind'>

/** An entry as the border takes it in. */
export const entryRecord = record({
  /** UUIDv7, made where the entry is made: its order is the order of making. */
  id: id().test('uuid', '${path} must be a UUID', (v) => isUuid(v)),
  runId: id(),
  device: text(80).required(),
  /** Role of whoever logged it: "out there", "base", "import". */
  role: text(40).required(),
  /** UTC, ISO 8601. */
  wallTime: moment().required(),
  /** Counts up on its device. */
  seq: figure().integer().min(0).required(),
  supersedes: id().nullable().defined(),
  body: bodyRecord,
})

/** One line of the append-only log. Never changed; a correction or a void is a new one that supersedes it. */
export type Entry = InferType<typeof entryRecord>
