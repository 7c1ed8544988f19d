import type { InferType } from 'yup'
import { DIRECTIONS } from '@/core/kit/rig/terms'
import { linkRecord } from '@/core/kit/rig/rigRecord'
import { copyRuleRecord } from '@/core/reports/copyRuleRecord'
import { scaleRecord } from '@/core/reports/scaleRecord'
import { figure, flag, id, list, MAX_LETTERS, MAX_TAGS, oneOf, picked, record, text } from '@/core/schema'
import { earStateList } from './earStateRecord'
import { MARK_MEANS, ORDER_SCHEMES, SURROUNDINGS, WAYS_OF_WORKING } from './terms'

/** The farthest that anything is taken to be, m: half round the earth. */
const FARTHEST_M = 2.01e7
const metres = () => figure().min(0).max(FARTHEST_M)

/** A mark as the log and a run's frozen plan hold it. */
export const markRecord = record({
  id: id(),
  name: text(MAX_LETTERS.name).required(),
  legId: id(),
  legName: text(MAX_LETTERS.name).required(),
  /** Crow-flies, m. */
  distanceM: metres().moreThan(0).required(),
  /** How well the distance is known, standard deviation in m; null where by coordinates. */
  distanceSdM: metres().nullable().default(null),
  /** Absent in runs begun before it was kept. */
  how: oneOf(MARK_MEANS).optional(),
  /** Along the way, m, where known. */
  alongM: metres().nullable().default(null),
  bearingDeg: figure().min(-360).max(360).nullable().default(null),
  lat: figure().min(-90).max(90).nullable().default(null),
  lon: figure().min(-180).max(180).nullable().default(null),
  /** The user's own words for the kind of place: "high", "in the wood"; absent where there are none. */
  tags: list(text(MAX_LETTERS.tag).required(), MAX_TAGS).optional(),
})

/** A place to stop, at a set distance from the base. */
export type Mark = InferType<typeof markRecord>

/**
 * A second figure that each check brings: level and quality, readability and words, the other port. It is read and
 * judged by itself.
 */
export const secondQuantityRecord = record({
  /** What the first and the second are called: "Level", "Quality". */
  first: text(MAX_LETTERS.name).required('The first figure of a check needs a name'),
  second: text(MAX_LETTERS.name).required('The second figure of a check needs a name'),
  scales: record({ base: scaleRecord, out: scaleRecord }).required(),
  copyRule: copyRuleRecord.required(),
})
export type SecondQuantity = InferType<typeof secondQuantityRecord>

/** A plan as a run file holds it. */
export const planRecord = record({
  trialName: text(MAX_LETTERS.trialName).required(),
  /** Where the base stands; null where its place is not known. */
  base: record({
    name: text(MAX_LETTERS.name).defined(),
    lat: figure().min(-90).max(90).nullable().defined(),
    lon: figure().min(-180).max(180).nullable().defined(),
  })
    .nullable()
    .defined(),
  question: text(MAX_LETTERS.question).defined(),
  /** How it is worked; absent in runs begun before there was more than one way. */
  way: oneOf(WAYS_OF_WORKING).optional(),
  links: list(linkRecord.required(), 200).required(),
  /** Its ends are swapped already, as the log of its run says; absent in plans as they were made. */
  endsSwapped: flag().optional(),
  marks: list(markRecord.required(), 20_000).required(),
  directions: list(oneOf(DIRECTIONS), 3).required(),
  scales: record({ base: scaleRecord, out: scaleRecord }).required(),
  copyRule: copyRuleRecord.required(),
  /** A second figure of each check; absent or null where one is enough. */
  also: secondQuantityRecord.nullable().optional().default(undefined),
  repeats: figure().integer().min(1).max(1000).required(),
  order: record({ scheme: oneOf(ORDER_SCHEMES), seed: figure().required() }).required(),
  /** What is held the same for all links. */
  sameAs: list(text(MAX_LETTERS.line).required(), 60).required(),
  /** The difference that would matter to the user, dB. */
  marginDb: figure().moreThan(0).max(300).required(),
  /** Stated reliability for the reach, 0 to 1. */
  reliability: figure().min(0).max(1).required(),
  surroundings: oneOf(SURROUNDINGS),
  /** The link repeated in every run. */
  controlLinkId: text(MAX_LETTERS.id).nullable().defined(),
  /** What a continuous signal is called by ear; absent in runs begun before trials had lists of their own. */
  earStates: earStateList.optional(),
  /** A reach that is needed, and one not to be exceeded, m. */
  need: record({ floorM: metres().nullable().defined(), ceilingM: metres().nullable().defined() }).required(),
})

/** A trial's plan as a run carries it out: a frozen copy, so that later edits change no record. */
export type TrialPlan = InferType<typeof planRecord>

/** What makes one check a different one from another. */
export const checkKeyFields = {
  linkId: id(),
  markId: id(),
  direction: oneOf(DIRECTIONS),
  /** From 1. */
  repeat: figure().integer().min(1).max(100_000).required(),
}
/** Devices of earlier versions wrote whole scheduled checks here; the key alone is kept. */
export const checkKeyRecord = picked(checkKeyFields)
export type CheckKey = InferType<typeof checkKeyRecord>
