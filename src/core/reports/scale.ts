import type { Scale, StrengthMeaning, WordStep } from './scaleRecord'

export type { Scale, StrengthMeaning, WordStep } from './scaleRecord'
export type ScaleKind = Scale['kind']

const NOT_HEARD: WordStep = {
  step: 0,
  words: ['no copy', 'nil', 'nothing heard', 'not heard', 'nothing', 'no contact', 'none', 'nh', 'no signal'],
}

/** Words that radio users say for readability, worst to best. Editable where a scale is declared. */
const READABILITY_WORDS: WordStep[] = [
  NOT_HEARD,
  { step: 1, words: ['carrier only', 'unreadable', 'nothing but carrier'] },
  { step: 2, words: ['broken', 'barely readable', 'words now and then', 'very weak'] },
  { step: 3, words: ['readable with difficulty', 'weak but readable', 'hard to read'] },
  { step: 4, words: ['readable, some noise', 'readable some noise', 'readable', 'slight noise', 'good'] },
  { step: 5, words: ['loud and clear', 'perfectly readable', 'full quieting', 'perfect', 'clear'] },
]

const NOTHING_ELSE: WordStep[] = [NOT_HEARD]

/** An own meter that nobody has measured: 6 dB an S-unit by the recommendation, dB over nine in tens. */
export const NOMINAL_METER: StrengthMeaning = {
  by: 'own meter',
  top: 9,
  stepDb: 6,
  calibrated: false,
  overStepDb: 10,
  fullScaleOverDb: 60,
}

/** A scale of each kind, as it is offered before the user changes anything. */
export function defaultScale(kind: ScaleKind): Scale {
  switch (kind) {
    case 'readability-strength':
      return { kind, strength: NOMINAL_METER, words: READABILITY_WORDS }
    case 'readability':
      return { kind, words: READABILITY_WORDS }
    case 'strength':
      return { kind, strength: NOMINAL_METER, words: NOTHING_ELSE }
    case 'level':
      return { kind, unit: 'dBm', minusOmitted: false, stepDb: 1, words: NOTHING_ELSE }
    case 'bare':
      return { kind, unit: 'reading', bottom: 0, top: 100, words: NOTHING_ELSE }
    case 'count':
      return { kind, of: 'words', total: 5, words: NOTHING_ELSE }
    case 'words':
      return {
        kind,
        words: [
          NOT_HEARD,
          { step: 1, words: ['poor'] },
          { step: 2, words: ['fair'] },
          { step: 3, words: ['good'] },
        ],
      }
    case 'heard':
      return {
        kind,
        words: [
          { ...NOT_HEARD, words: [...NOT_HEARD.words, 'no', 'n', '0'] },
          { step: 1, words: ['heard', 'yes', 'y', '1', 'ok'] },
        ],
      }
    case 'comparative':
      return { kind }
    case 'rate':
      return { kind, unit: 'Mbit/s', cap: null, words: NOTHING_ELSE }
  }
}

/** The scale in a few words, for headings and for the record. */
export function describeScale(scale: Scale): string {
  const strength = (s: StrengthMeaning) => {
    if (s.by === 'ear') return `strength by ear, 0 to ${s.top}`
    const step =
      s.stepDb === null
        ? 'a step somewhere from 3 to 6 dB'
        : `${s.stepDb} dB a step${s.calibrated ? ', measured' : ', not measured'}`
    return `strength by ${s.by === 'stranger' ? "a stranger's meter" : 'meter'} (${step})`
  }
  switch (scale.kind) {
    case 'readability-strength':
      return `readability 0 to 5 and ${strength(scale.strength)}`
    case 'readability':
      return 'readability 0 to 5'
    case 'strength':
      return strength(scale.strength)
    case 'level':
      return `level in ${scale.unit}${scale.minusOmitted ? ', the minus sign left out' : ''}`
    case 'bare':
      return `${scale.unit}, ${scale.bottom} to ${scale.top}`
    case 'count':
      return `${scale.of} copied${scale.total ? ` of ${scale.total}` : ''}`
    case 'words':
      return 'plain words'
    case 'heard':
      return 'heard or not heard'
    case 'comparative':
      return 'one against the other'
    case 'rate':
      return `rate in ${scale.unit}`
  }
}
