import { strengthText, whyNotRead, type Scale } from '@/core/reports'
import { isFigure } from './figure'

/** A report being put together on the pad. */
export interface Draft {
  readability: number | null
  strength: number | null
  overDb: number
  /** Digits typed for a level or a bare figure. */
  figure: string
  word: string | null
  calls: number
  remark: string
  /** Readings already taken of one that wavers. */
  samples: string[]
  /** Words that came through, as tapped. */
  taken: string[]
}

export const EMPTY_DRAFT: Draft = {
  readability: null,
  strength: null,
  overDb: 0,
  figure: '',
  word: null,
  calls: 1,
  remark: '',
  samples: [],
  taken: [],
}

/** Whether anything of a report is on the pad yet. */
export const inHand = (draft: Draft): boolean =>
  draft.calls > 1 ||
  draft.readability !== null ||
  draft.strength !== null ||
  draft.word !== null ||
  draft.figure !== '' ||
  draft.taken.length > 0 ||
  draft.samples.length > 0

/** A report in hand with the last step taken back: one call fewer, or else the pad cleared; a remark stays. */
export function stepBack(draft: Draft): Draft {
  if (draft.calls > 1) return { ...draft, calls: draft.calls - 1 }
  return { ...EMPTY_DRAFT, remark: draft.remark }
}

/** The report's text as it will be logged; null while something is missing. Several readings stand in a row. */
export function draftText(draft: Draft, scale: Scale): string | null {
  const text = oneText(draft, scale)
  return text === null || draft.samples.length === 0 ? text : [...draft.samples, text].join('; ')
}

function oneText(draft: Draft, scale: Scale): string | null {
  const strength =
    draft.strength === null ? null : strengthText({ units: draft.strength, overDb: draft.overDb }).slice(1)
  switch (scale.kind) {
    case 'readability-strength':
      return draft.readability === null || strength === null ? null : `${draft.readability} by ${strength}`
    case 'readability':
      return draft.readability === null ? null : `R${draft.readability}`
    case 'strength':
      return strength === null ? null : `S${strength}`
    case 'count':
      return draft.figure === '' ? null : `${draft.figure} of ${scale.total ?? draft.figure}`
    case 'words':
    case 'heard':
      return draft.word
    default:
      return isFigure(draft.figure) && whyNotRead(draft.figure, scale) === null ? draft.figure : null
  }
}

/** What the pad still wants, in words. */
export function wanted(draft: Draft, scale: Scale): string {
  if (scale.kind === 'readability-strength') {
    if (draft.readability === null) return 'Readability?'
    if (draft.strength === null) return 'Strength?'
  }
  return draftText(draft, scale) === null ? 'Report?' : 'Log it'
}
