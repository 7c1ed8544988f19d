import * as yup from 'yup'
import { ATTENUATES, POLARISATIONS, RIG_KINDS } from '@/core/kit'
import { figure, flag, id, list, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import { decimal, needed, openFigure, type OpenFigure } from '@/ui/fields/decimal'

/** A rig's fields; heights in m. */
const fields = (number: OpenFigure) => ({
  letter: text(MAX_LETTERS.letter)
    .transform((v: unknown) => (typeof v === 'string' ? v.toUpperCase() : v))
    .matches(/^[A-Z]{1,2}$/, 'One or two letters, A to Z')
    .required('A letter is missing'),
  name: text(MAX_LETTERS.name).required('A name is missing'),
  kind: oneOf(RIG_KINDS),
  txMHz: needed(number(), 'The frequency').min(0.1, 'At least 0.1 MHz').max(300000, 'At most 300 000 MHz'),
  rxMHz: number().min(0.1, 'At least 0.1 MHz').max(300000, 'At most 300 000 MHz'),
  powerW: needed(number(), 'The power')
    .moreThan(0, 'Power must be above 0 W; a receiver only needs no rig of its own')
    .max(5000, 'At most 5000 W'),
  antennaHeightM: needed(number(), 'The height')
    .min(0.1, 'Height must be above the ground: 0.1 m or more')
    .max(1000, 'At most 1000 m'),
  antennaGainDbi: number().min(-60, 'At least -60 dBi').max(60, 'At most 60 dBi'),
  leadLossDb: number().min(0, 'A loss is 0 dB or more').max(60, 'At most 60 dB'),
  note: text(MAX_LETTERS.shortNote).default(''),
  antenna: text(MAX_LETTERS.name).default(''),
  mode: text(40).default('FM'),
  bandwidthKHz: number().moreThan(0, 'Above 0 kHz').max(100000, 'At most 100 000 kHz'),
  sensitivityDbm: number()
    .min(-160, 'A sensitivity lies from -160 to -20 dBm; mind the minus sign')
    .max(-20, 'A sensitivity lies from -160 to -20 dBm; mind the minus sign'),
  attenuatorDb: number().min(0, 'An attenuator takes 0 dB or more').max(120, 'At most 120 dB'),
  attenuatorAt: oneOf(ATTENUATES).default('both ways'),
})

/** A rig as it is typed. */
export const rigSchema = yup.object(fields(decimal)).noUnknown()

const nullableId = () => id().nullable().default(null)
const item = record({
  key: id(),
  partId: id(),
  unitId: nullableId(),
  flipped: flag().default(false),
  setting: figure().nullable().default(null),
})

const port = record({
  items: list(item.required(), 20).max(20, 'At most twenty parts in one chain').required(),
  mountId: nullableId(),
  mastId: nullableId(),
  polarisation: oneOf(POLARISATIONS).nullable().default(null),
})

/** What a rig is built of, as the builder sends it; null for one known by its figures only. */
export const assemblySchema = record({
  radioId: nullableId(),
  radioUnitId: nullableId(),
  ports: list(port.required(), 2).min(1).required(),
  spacingM: figure().min(0, 'A spacing is 0 m or more').max(1000).nullable().default(null),
  pose: record({
    azimuthDeg: figure()
      .min(0, 'An azimuth is 0 to 360 degrees')
      .max(360, 'An azimuth is 0 to 360 degrees')
      .nullable()
      .default(null),
    tiltDeg: figure()
      .min(-90, 'A tilt is -90 to 90 degrees')
      .max(90, 'A tilt is -90 to 90 degrees')
      .nullable()
      .default(null),
  }).required(),
  wayInM: figure().min(0, 'The way in is 0 m or more').max(1000).nullable().default(null),
  alongIds: list(id(), 20).required(),
})
  .nullable()
  .default(null)

/** A rig as the server takes it. */
export const rigInputSchema = record({ ...fields(openFigure), assembly: assemblySchema })

export type RigForm = yup.InferType<typeof rigSchema>
