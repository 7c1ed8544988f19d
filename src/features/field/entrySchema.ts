import { validate as isUuid } from 'uuid'
import * as yup from 'yup'
import type { Entry, EntryBody } from '@/core/trial'

const key = {
  linkId: yup.string().required(),
  markId: yup.string().required(),
  direction: yup
    .string()
    .oneOf(['to base', 'from base', 'loop'] as const)
    .required(),
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
  }),
  skip: yup.object({ keys: yup.array(yup.object(key)).required(), reason: yup.string().defined() }),
  void: yup.object({ reason: yup.string().defined().max(500) }),
  'at mark': yup.object({ markId: yup.string().required() }),
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

/** Entries as the server takes them. @throws yup.ValidationError naming the field */
export function readEntries(raw: unknown): Entry[] {
  const { entries } = yup
    .object({ entries: yup.array(entry.required()).max(500).required() })
    .validateSync(raw, { stripUnknown: false })
  return entries.map((e) => {
    BODIES[e.body.kind as EntryBody['kind']].validateSync(e.body)
    return e as unknown as Entry
  })
}
