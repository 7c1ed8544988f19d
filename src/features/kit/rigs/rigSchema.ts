import * as yup from 'yup'
import { RIG_KINDS, type Polarisation } from '@/core/kit'
import { decimal, neededDecimal } from '@/ui/fields/decimal'

/** A rig as the form and the action both check it; heights in m. */
export const rigSchema = yup.object({
  letter: yup
    .string()
    .trim()
    .uppercase()
    .matches(/^[A-Z]{1,2}$/, 'One or two letters, A to Z')
    .required('A letter is missing'),
  name: yup.string().trim().required('A name is missing').max(60, 'At most 60 letters'),
  kind: yup.string().oneOf(RIG_KINDS).required(),
  txMHz: neededDecimal('The frequency').min(0.1, 'At least 0.1 MHz').max(300000, 'At most 300 000 MHz'),
  rxMHz: decimal().min(0.1, 'At least 0.1 MHz').max(300000, 'At most 300 000 MHz'),
  powerW: neededDecimal('The power')
    .moreThan(0, 'Power must be above 0 W; a receiver only needs no rig of its own')
    .max(5000, 'At most 5000 W'),
  antennaHeightM: neededDecimal('The height')
    .min(0.1, 'Height must be above the ground: 0.1 m or more')
    .max(1000, 'At most 1000 m'),
  antennaGainDbi: decimal().min(-60, 'At least -60 dBi').max(60, 'At most 60 dBi'),
  leadLossDb: decimal().min(0, 'A loss is 0 dB or more').max(60, 'At most 60 dB'),
  note: yup.string().trim().max(500).default(''),
  mode: yup.string().trim().max(40, 'At most 40 letters').default('FM'),
  bandwidthKHz: decimal().moreThan(0, 'Above 0 kHz').max(100000, 'At most 100 000 kHz'),
})

const item = yup.object({
  key: yup.string().required(),
  partId: yup.string().required(),
  unitId: yup.string().nullable().default(null),
  flipped: yup.boolean().default(false),
  setting: yup.number().nullable().default(null),
})

const port = yup.object({
  items: yup.array(item.required()).max(20, 'At most twenty parts in one chain').required(),
  mountId: yup.string().nullable().default(null),
  mastId: yup.string().nullable().default(null),
  polarisation: yup
    .mixed<Polarisation>()
    .oneOf(['vertical', 'horizontal', 'slant', 'circular'])
    .nullable()
    .default(null),
})

/** What a rig is built of, as the builder sends it; null for one known by its figures only. */
export const assemblySchema = yup
  .object({
    radioId: yup.string().nullable().default(null),
    radioUnitId: yup.string().nullable().default(null),
    ports: yup.array(port.required()).min(1).max(2).required(),
    spacingM: yup.number().min(0, 'A spacing is 0 m or more').max(1000).nullable().default(null),
    pose: yup
      .object({
        azimuthDeg: yup
          .number()
          .min(0, 'An azimuth is 0 to 360 degrees')
          .max(360, 'An azimuth is 0 to 360 degrees')
          .nullable()
          .default(null),
        tiltDeg: yup
          .number()
          .min(-90, 'A tilt is -90 to 90 degrees')
          .max(90, 'A tilt is -90 to 90 degrees')
          .nullable()
          .default(null),
      })
      .required(),
    wayInM: yup.number().min(0, 'The way in is 0 m or more').max(1000).nullable().default(null),
    alongIds: yup.array(yup.string().required()).max(20).required(),
  })
  .nullable()
  .default(null)

export type RigForm = yup.InferType<typeof rigSchema>
