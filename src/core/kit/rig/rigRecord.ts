import type { InferType } from 'yup'
import { figure, id, list, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import { MOUNT_PLACES, POLARISATIONS } from '../parts/part'
import { ATTENUATES, RIG_KINDS } from './terms'

const db = () => figure().min(-300).max(300)

const figures = {
  /** dBi; null where that is the question. */
  antennaGainDbi: db().nullable().defined(),
  /** Lead and adapters, dB; null where nobody knows. */
  leadLossDb: db().nullable().defined(),
  /** What of that only the antenna's mismatch causes, dB; left out where its match was not measured. */
  mismatchDb: db().optional(),
  /** An attenuator in the path, dB. */
  attenuatorDb: db().required(),
}
const figuresSchema = record(figures)

/** What is known of a rig's antenna gain, lead and attenuator, dB, at one frequency. */
export type RigFigures = InferType<typeof figuresSchema>

const trait = () => text(MAX_LETTERS.line).optional()
const traitsSchema = record({
  antenna: trait(),
  radio: trait(),
  /** Individual units, where they were named. */
  antennaUnit: trait(),
  radioUnit: trait(),
  carried: trait(),
  mode: trait(),
})

/** What a rig is made of, in words, frozen with the run: what may be told apart by a trial that varies it. */
export type Traits = InferType<typeof traitsSchema>

const frequency = () => figure().moreThan(0).max(1e6)

/** A rig as the log and a run's frozen plan hold it. */
const rigRecord = record({
  id: id(),
  letter: text(MAX_LETTERS.letter).required(),
  name: text(MAX_LETTERS.line).required(),
  kind: oneOf(RIG_KINDS),
  /** Transmit frequency, MHz. */
  txMHz: frequency().required(),
  /** Receive frequency, MHz; null where it is the same. */
  rxMHz: frequency().nullable().defined(),
  /** Power at the radio's connector, W. */
  powerW: figure().moreThan(0).max(1e7).required(),
  /** Antenna height over ground, m. */
  antennaHeightM: figure().min(0).max(20_000).required(),
  ...figures,
  /** Where the attenuator sits. */
  attenuatorAt: oneOf(ATTENUATES),
  /** The figures at the receive frequency, where it is another and the rig is built of parts. */
  atRx: figuresSchema.optional().default(undefined),
  /** Of the receiver at its connector, dBm; and what a body or a car takes, dB. For predictions, never for evening. */
  sensitivityDbm: db().nullable().optional(),
  bodyLossDb: db().optional(),
  /** What is known of its antenna and mode beside that, frozen with the run; for predictions, never for evening. */
  claimedGainDbi: db().optional(),
  /** Where its antenna is carried or stands; left out on a mast. */
  place: oneOf(MOUNT_PLACES).optional(),
  polarisation: oneOf(POLARISATIONS).optional(),
  crossPolarDb: figure().min(0).max(60).optional(),
  /** In the plane of the horizon: degrees from where it points, and dB below its strongest. */
  pattern: list(
    record({ angleDeg: figure().min(-360).max(360).required(), db: db().required() }).required(),
    720,
  ).optional(),
  /** Where it points, degrees from true north. */
  azimuthDeg: figure().min(0).max(360).optional(),
  /** How far one that points looks up, or one that does not leans from how it should stand, degrees. */
  tiltDeg: figure().min(-90).max(90).optional(),
  bandwidthKHz: figure().moreThan(0).max(1e6).nullable().optional(),
  /** What it is made of, frozen with the run; absent where only its figures are known. */
  traits: traitsSchema.optional().default(undefined),
  /** How the figures were come by, frozen with the run: each step of the budget in dB. */
  budget: list(
    record({ name: text(MAX_LETTERS.line).required(), db: db().required() }).required(),
    60,
  ).optional(),
})

/** One complete set-up at one end, as a trial sees it. */
export type Rig = InferType<typeof rigRecord>

/** A link as the log and a run's frozen plan hold it. */
export const linkRecord = record({
  id: id(),
  letter: text(MAX_LETTERS.letter).required(),
  name: text(MAX_LETTERS.line).required(),
  base: rigRecord.required(),
  out: rigRecord.required(),
})

/** The rig at the base and the rig out there that a check joins. */
export type Link = InferType<typeof linkRecord>
