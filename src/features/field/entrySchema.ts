import { validate as isUuid } from 'uuid'
import * as yup from 'yup'
import { LOG_PROTOCOL, type RunFile } from './runPack'
import { COMPARISONS, type Entry, type EntryBody } from '@/core/trial'

const direction = () =>
  yup
    .string()
    .oneOf(['to base', 'from base', 'loop'] as const)
    .required()

const fix = yup
  .object({
    lat: yup.number().min(-90).max(90).required(),
    lon: yup.number().min(-180).max(180).required(),
    accuracyM: yup.number().min(0).nullable().defined(),
  })
  .nullable()
  .default(null)

const where = {
  linkId: yup.string().required(),
  markId: yup.string().required(),
  direction: direction(),
}
const key = {
  ...where,
  repeat: yup.number().integer().min(1).required(),
}

const mark = yup.object({
  id: yup.string().required(),
  name: yup.string().required().max(60),
  legId: yup.string().required(),
  legName: yup.string().required(),
  distanceM: yup.number().moreThan(0).max(2e6).required(),
  distanceSdM: yup.number().nullable().default(null),
  alongM: yup.number().nullable().default(null),
  bearingDeg: yup.number().nullable().default(null),
  lat: yup.number().nullable().default(null),
  lon: yup.number().nullable().default(null),
})

const BODIES: Record<EntryBody['kind'], yup.AnyObjectSchema> = {
  check: yup.object({
    ...key,
    text: yup.string().required().max(200),
    calls: yup.number().integer().min(1).max(99).required(),
    remark: yup.string().defined().max(1000),
    state: yup.string().oneOf(['graded', 'sent']).required(),
    fix,
    words: yup
      .object({
        sent: yup.array(yup.string().required()).required(),
        taken: yup.array(yup.string().required()).required(),
      })
      .nullable()
      .default(null),
  }),
  skip: yup.object({ keys: yup.array(yup.object(key)).required(), reason: yup.string().defined() }),
  void: yup.object({ reason: yup.string().defined().max(500) }),
  'at mark': yup.object({ markId: yup.string().required(), fix }),
  mark: yup.object({ mark: mark.required(), before: yup.string().nullable().defined() }),
  spacing: yup.object({
    legId: yup.string().required(),
    replaced: yup.array(yup.string().required()).required(),
    marks: yup.array(mark.required()).required(),
  }),
  note: yup.object({ text: yup.string().required().max(2000) }),
  run: yup.object({
    state: yup.string().oneOf(['finished', 'reopened', 'voided']).required(),
    reason: yup.string().defined(),
  }),
  compare: yup.object({
    markId: yup.string().required(),
    direction: direction(),
    links: yup.array(yup.string().required()).length(2).required(),
    said: yup.string().oneOf(COMPARISONS).required(),
    text: yup.string().defined().max(500),
  }),
  edge: yup.object({
    legId: yup.string().required(),
    linkId: yup.string().required(),
    direction: direction(),
    what: yup.string().oneOf(['last heard', 'first lost', 'heard again']).required(),
    distanceM: yup.number().min(0).max(2e6).required(),
    fix,
  }),
  state: yup.object({
    linkId: yup.string().required(),
    way: yup.string().oneOf(['out', 'home']).required(),
    state: yup.string().nullable().defined().max(80),
    distanceM: yup.number().min(0).max(2e6).nullable().defined(),
    fix,
  }),
  noise: yup.object({
    markId: yup.string().nullable().defined(),
    text: yup.string().required().max(200),
    note: yup.string().defined().max(500),
  }),
  scan: yup.object({
    markId: yup.string().nullable().defined(),
    channels: yup
      .array(
        yup.object({
          channel: yup.string().required().max(40),
          level: yup.string().defined().max(40),
          others: yup.number().integer().min(0).nullable().defined(),
        }),
      )
      .min(1)
      .max(500)
      .required(),
  }),
  track: yup.object({
    points: yup
      .array(yup.array(yup.number().nullable().defined()).length(4).required())
      .min(1)
      .max(5000)
      .required(),
  }),
  conditions: yup.object({
    when: yup.string().oneOf(['start', 'change', 'end']).required(),
    values: yup.object().required(),
    ticked: yup.array(yup.string().required().max(120)).max(60).required(),
  }),
  change: yup.object({
    what: yup.string().oneOf(['attenuator', 'rig out', 'rig back', 'pose', 'part', 'other']).required(),
    linkId: yup.string().nullable().defined(),
    db: yup.number().min(0).max(200).nullable().defined(),
    text: yup.string().defined().max(500),
  }),
  blind: yup.object({ on: yup.boolean().required(), letters: yup.object().required() }),
  measured: yup.object({
    markId: yup.string().required(),
    how: yup.string().oneOf(['coordinates', 'tape', 'wheel', 'paces', 'pegged']).required(),
    distanceM: yup.number().moreThan(0).max(2e6).required(),
    distanceSdM: yup.number().min(0).required(),
  }),
  'leg order': yup.object({ legIds: yup.array(yup.string().required()).required() }),
  station: yup.object({
    name: yup.string().required().max(80),
    place: yup.string().defined().max(120),
    direction: direction(),
    linkId: yup.string().nullable().defined(),
    text: yup.string().defined().max(200),
  }),
  repeat: yup.object({ key: yup.object(key).required() }),
  link: yup.object({
    link: yup
      .object({
        id: yup.string().required(),
        letter: yup.string().required().max(4),
        name: yup.string().required().max(80),
        base: yup.object().required(),
        out: yup.object().required(),
      })
      .required(),
    notAt: yup.array(yup.string().required()).required(),
    described: yup.boolean().required(),
  }),
  clock: yup.object({
    startsAt: yup.string().datetime().required(),
    everyS: yup.number().integer().min(5).max(86_400).required(),
    on: yup.boolean().required(),
  }),
  media: yup.object({
    mediaId: yup.string().required().max(80),
    what: yup.string().oneOf(['photo', 'sound']).required(),
    type: yup
      .string()
      .matches(/^(image|audio)\/[\w.+-]+(;.*)?$/, 'type must be that of a picture or a sound')
      .required(),
    seconds: yup.number().min(0).nullable().defined(),
    about: yup.object(key).nullable().default(null),
    note: yup.string().defined().max(500),
  }),
  recording: yup.object({
    mediaId: yup.string().required().max(80),
    name: yup.string().required().max(200),
    at: yup.string().oneOf(['base', 'out']).required(),
    seconds: yup.number().min(0).required(),
    startsAt: yup.string().datetime().nullable().defined(),
    aligned: yup.string().defined().max(300),
  }),
  grade: yup.object({
    checkId: yup.string().required(),
    listener: yup.string().required().max(60),
    text: yup.string().required().max(200),
    blind: yup.boolean().required(),
  }),
  carried: yup.object({
    ...where,
    what: yup.string().oneOf(['throughput', 'delay']).required(),
    value: yup.number().min(0).max(1e6).required(),
    server: yup.string().required().max(120),
    path: yup.string().defined().max(200),
    cap: yup.number().moreThan(0).max(1e6).nullable().defined(),
  }),
  other: yup.object({ what: yup.string().required(), detail: yup.object().required() }),
}

const entry = yup.object({
  id: yup
    .string()
    .required()
    .test('uuid', 'id must be a UUID', (v) => isUuid(v)),
  runId: yup.string().required(),
  device: yup.string().required().max(80),
  role: yup.string().required().max(40),
  wallTime: yup.string().datetime().required(),
  seq: yup.number().integer().min(0).required(),
  supersedes: yup.string().nullable().defined(),
  body: yup.object({ kind: yup.string().oneOf(Object.keys(BODIES)).required() }).required(),
})

function checkedEntries(entries: yup.InferType<typeof entry>[]): Entry[] {
  return entries.map((e) => {
    BODIES[e.body.kind as EntryBody['kind']].validateSync(e.body)
    return e as unknown as Entry
  })
}

const runFile = yup.object({
  pack: yup
    .object({
      protocol: yup
        .number()
        .max(LOG_PROTOCOL, 'It was written by a newer Even Reach. Update this one.')
        .required(),
      runId: yup.string().required(),
      trialId: yup.string().required(),
      runName: yup.string().required().max(200),
      startedAt: yup.string().datetime().required(),
      plan: yup
        .object({
          trialName: yup.string().required(),
          links: yup.array().required(),
          marks: yup.array().required(),
        })
        .required(),
    })
    .required(),
  entries: yup.array(entry.required()).max(100_000).required(),
  media: yup
    .array(
      yup
        .object({
          id: yup.string().required().max(80),
          type: yup.string().required().max(100),
          base64: yup
            .string()
            .required()
            .test('base64', 'a photo or a sound is damaged', (v) => /^[A-Za-z0-9+/]+={0,2}$/.test(v)),
        })
        .required(),
    )
    .max(2000)
    .default([]),
})

/** A run as a file. @throws yup.ValidationError naming the field */
export function readRunFile(raw: unknown): Required<Omit<RunFile, 'format'>> {
  if ((raw as { format?: unknown } | null)?.format !== 'even-reach-run')
    throw new yup.ValidationError('This is no run written by the field screen.', raw, 'file')
  const { pack, entries, media } = runFile.validateSync(raw)
  return { pack: pack as unknown as RunFile['pack'], entries: checkedEntries(entries), media }
}

/** Entries as the server takes them. @throws yup.ValidationError naming the field */
export function readEntries(raw: unknown): Entry[] {
  const { entries } = yup
    .object({ entries: yup.array(entry.required()).max(500).required() })
    .validateSync(raw, { stripUnknown: false })
  return checkedEntries(entries)
}
