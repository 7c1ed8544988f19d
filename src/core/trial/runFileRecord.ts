import { mixed, type InferType } from 'yup'
import { statusRecord } from '@/core/crew/statusRecord'
import { figure, id, list, MAX_LETTERS, moment, oneOf, record, text } from '@/core/schema'
import type { Entry } from './entry'
import { planRecord } from './planRecord'
import { LOG_PROTOCOL } from './terms'

const packRecord = record({
  protocol: figure()
    .integer()
    .max(LOG_PROTOCOL, 'It was written by a newer Even Reach. Update this one.')
    .required(),
  runId: id(),
  trialId: id(),
  runName: text(MAX_LETTERS.fileName).required(),
  startedAt: moment().required(),
  plan: planRecord.required(),
})

const mediaRecord = record({
  id: id(),
  type: text(120).required(),
  base64: text(Infinity)
    .required()
    .test('base64', 'a photo or a sound is damaged', (v) => /^[A-Za-z0-9+/]+={0,2}$/.test(v)),
})

/** A run as a file: what a device holds of it, to be read in elsewhere with no server between. */
export const runFileRecord = record({
  format: oneOf(['even-reach-run']),
  /** Who wrote it: what the desk wrote it holds itself. Absent in older files, which devices wrote. */
  from: oneOf(['desk', 'device']).notRequired().default('device'),
  pack: packRecord.required(),
  /** Read one by one, so that one that cannot be taken holds up none of the others. */
  entries: list(mixed().nullable(), 100_000).required(),
  /** Photos and sounds of the run that this device holds; absent in files written before there were any. */
  media: list(mediaRecord.required(), 2000).default([]),
})
export type RunFile = Omit<InferType<typeof runFileRecord>, 'entries'> & { entries: Entry[] }

/** What a device posts. */
export const batchRecord = record({
  protocol: figure().integer().optional(),
  entries: list(mixed().nullable(), 500).required(),
  /** How the device is; absent from those that were not brought in. */
  status: statusRecord.optional().default(undefined),
})
