import * as yup from 'yup'
import { RIG_KINDS } from '@/core/kit'
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
})

export type RigForm = yup.InferType<typeof rigSchema>
