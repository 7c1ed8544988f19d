import type { InferType } from 'yup'
import { figure, flag, list, MAX_LETTERS, oneOf, record, text, variant } from '@/core/schema'

const wordStep = record({
  /** 0 is "not heard"; for readability words 0 to 5. */
  step: figure().integer().min(0).max(50).required(),
  words: list(text(MAX_LETTERS.line).required(), 200).required(),
})

/** One step of a list of plain words; several wordings can share a step. */
export type WordStep = InferType<typeof wordStep>

const strengthMeaning = record({
  /** The listener's own meter, a stranger's meter, or judged by ear. */
  by: oneOf(['own meter', 'stranger', 'ear']),
  /** Highest whole step, 9 or 5. */
  top: figure()
    .oneOf([9, 5] as const)
    .required(),
  /** dB of one S-unit; null where it is only known to lie between 3 and 6. Means nothing by ear. */
  stepDb: figure()
    .min(1, 'A measured S-unit must be from 1 to 10 dB')
    .max(10, 'A measured S-unit must be from 1 to 10 dB')
    .nullable()
    .defined(),
  /** True where the user has measured the step; otherwise 6 dB is the recommendation's, not this radio's. */
  calibrated: flag().required(),
  /** Marks above S9 come in steps of this many dB. */
  overStepDb: figure().moreThan(0).max(60).required(),
  /** Full scale, dB over S9; a reading there is open above. */
  fullScaleOverDb: figure().min(0).max(120).required(),
})

/** How a listener's strength figure is to be taken. */
export type StrengthMeaning = InferType<typeof strengthMeaning>

const words = list(wordStep.required(), 60).required()
const strength = strengthMeaning.required()

/** The scale in which one listener reports in one run. Declared before anything is read. */
export const scaleRecord = variant('kind', {
  'readability-strength': { strength, words },
  readability: { words },
  strength: { strength, words },
  level: {
    unit: oneOf(['dBm', 'dB(uV/m)', 'dBm/m2', 'SINR dB']),
    /** True for a team that says "81" and means -81. */
    minusOmitted: flag().required(),
    /** The display's own step, dB. */
    stepDb: figure().moreThan(0).max(30).required(),
    words,
  },
  bare: {
    unit: oneOf(['reading', 'bars', 'per cent']),
    bottom: figure().required(),
    top: figure().required(),
    words,
  },
  count: {
    of: oneOf(['words', 'packets']),
    total: figure().integer().min(1).max(1e6).nullable().defined(),
    words,
  },
  words: {
    words: words.min(2, 'The list of words needs at least two steps: not heard, and one more'),
  },
  heard: { words },
  comparative: {},
  rate: {
    unit: oneOf(['Mbit/s', 'kbit/s', 'ms']),
    cap: figure().moreThan(0).nullable().defined(),
    words,
  },
})
export type Scale = InferType<typeof scaleRecord>
