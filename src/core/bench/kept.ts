import * as yup from 'yup'
import { figure, flag, id, list, MAX_LETTERS, moment, oneOf, record, text } from '@/core/schema'

export const MEASUREMENT_KINDS = ['sweep', 'turn', 'bearings', 'live'] as const
export type MeasurementKind = (typeof MEASUREMENT_KINDS)[number]

/** Where figures came from: an instrument, one that is none, a file, or somebody's pen. */
const SOURCES = ['instrument', 'simulated', 'file', 'typed'] as const
export type MeasurementSource = (typeof SOURCES)[number]

const MOST_POINTS = 20_001
const MOST_READINGS = 5000

const mhz = () => figure().moreThan(0, '${path} must be above 0 MHz').max(300_000)
const bandRecord = record({ fromMHz: mhz().required(), toMHz: mhz().required() }).test(
  'rises',
  'The upper edge of the band must be above the lower',
  (b) => !b || b.toMHz > b.fromMHz,
)
const figures = () => list(figure().required(), MOST_POINTS).required()

/** A sweep: its lists are of equal length and rise. */
const sweepRecord = record({
  frequencyMHz: figures(),
  re: figures(),
  im: figures(),
  ohm: figure().moreThan(0).max(10_000).required(),
  phase: flag().required(),
}).test('lists', 'The lists of a sweep are of different lengths, or its frequencies do not rise', (given) => {
  const s = given as typeof given | null
  const f = s?.frequencyMHz ?? []
  return (
    s == null ||
    (f.length >= 2 &&
      f.length === s.re?.length &&
      f.length === s.im?.length &&
      f.every((v, i) => i === 0 || v > f[i - 1]!))
  )
})

/** How a sweep was made good. */
const calibrationRecord = record({
  /** Least return loss of the load measured again, dB: what the directivity is worth. */
  loadAgainDb: figure().required(),
  at: moment().required(),
})
  .nullable()
  .default(null)

const sweepBody = record({
  sweep: sweepRecord.required(),
  band: bandRecord.nullable().default(null),
  limitSwr: figure().moreThan(1).max(100).required(),
  /** "With a counterpoise": what was different, so that like is laid over like. */
  setUp: text(MAX_LETTERS.name).default(''),
  calibration: calibrationRecord,
  /** Of a lead: its length by the tape, and the sweep with its far end the other way, if there is one. */
  lead: record({
    lengthM: figure().moreThan(0).max(1000).required(),
    other: sweepRecord.nullable().default(null),
  })
    .nullable()
    .default(null),
})

const TURN_WAYS = ['pattern', 'crossed'] as const

const turnBody = record({
  way: oneOf(TURN_WAYS),
  readings: list(
    record({
      angleDeg: figure().required(),
      db: figure().required(),
      atOrBelow: flag().required(),
    }).required(),
    MOST_READINGS,
  ).required(),
  frequencyMHz: mhz().required(),
  /** Of lead, attenuator and whatever else weakens this antenna alone, dB. */
  lossDb: figure().min(0).max(200).required(),
  /** Where the body stood, as it was written down; empty where there was none. */
  body: text(MAX_LETTERS.line).default(''),
})

const BEARING_WAYS = ['peak', 'null', 'loop', 'shadow'] as const

const bearingsBody = record({
  bearings: list(
    record({
      id: id(),
      name: text(MAX_LETTERS.name).default(''),
      lat: figure().min(-90).max(90).required(),
      lon: figure().min(-180).max(180).required(),
      /** As it was read. */
      bearingDeg: figure().min(-360).max(720).required(),
      compass: flag().required(),
      way: oneOf(BEARING_WAYS),
      sdDeg: figure().moreThan(0).max(90).required(),
      left: flag().default(false),
    }).required(),
    200,
  ).required(),
  /** The day, for the declination. */
  day: text(10)
    .matches(/^\d{4}-\d\d-\d\d$/, 'A day is written as 2026-05-16')
    .required(),
})

const liveBody = record({
  readings: list(
    record({
      atS: figure().min(0).required(),
      state: oneOf(['in', 'out']).nullable().defined() as unknown as yup.Schema<'in' | 'out' | null>,
      figures: list(
        record({
          quantity: text(MAX_LETTERS.tag).required(),
          port: figure().integer().min(1).max(9).nullable().defined(),
          value: figure().required(),
          capped: flag().default(false),
        }).required(),
        40,
      ).required(),
    }).required(),
    MOST_READINGS,
  ).required(),
  settleS: figure().min(0).max(3600).required(),
  /** What is plugged in and out. */
  what: text(MAX_LETTERS.name).default(''),
})

export interface BodyByKind {
  sweep: yup.InferType<typeof sweepBody>
  turn: yup.InferType<typeof turnBody>
  bearings: yup.InferType<typeof bearingsBody>
  live: yup.InferType<typeof liveBody>
}

const BODIES = { sweep: sweepBody, turn: turnBody, bearings: bearingsBody, live: liveBody } as const

/** Whatever else is known of a measurement. */
const common = {
  kind: oneOf(MEASUREMENT_KINDS),
  name: text(MAX_LETTERS.trialName).required('Give it a name, such as "Long whip, with counterpoise"'),
  partId: id().nullable().defined() as unknown as yup.Schema<string | null>,
  takenAt: moment().required(),
  source: oneOf(SOURCES),
  instrument: text(MAX_LETTERS.line).default(''),
  conditions: text(MAX_LETTERS.shortNote).default(''),
}

/** A measurement as it comes in, by its kind. */
export const measurementSchema = (kind: MeasurementKind) =>
  record({ ...common, body: BODIES[kind].required() })

/** Something measured at the bench. */
export type NewMeasurement = {
  [K in MeasurementKind]: {
    kind: K
    name: string
    partId: string | null
    takenAt: string
    source: MeasurementSource
    instrument: string
    conditions: string
    body: BodyByKind[K]
  }
}[MeasurementKind]
export type Measurement = NewMeasurement & { id: string; revision: number }
export type MeasurementOf<K extends MeasurementKind> = Extract<Measurement, { kind: K }>
