import { strengthText, whyNotRead, type Scale } from '@/core/reports'
import { isFigure } from './figure'

/** What the pad holds of one figure. */
export interface PadDraft {
  readability: number | null
  strength: number | null
  overDb: number
  /** Digits typed for a level or a bare figure. */
  figure: string
  word: string | null
  /** Readings already taken of one that wavers. */
  samples: string[]
  /** Words that came through, as tapped. */
  taken: string[]
}

/** A report being put together on the pad; where a check has a second figure, that as well. */
export interface Draft extends PadDraft {
  calls: number
  remark: string
  also: PadDraft
  /** Which of the two figures the pad is for. */
  at: 'first' | 'second'
}

const EMPTY_PAD: PadDraft = {
  readability: null,
  strength: null,
  overDb: 0,
  figure: '',
  word: null,
  samples: [],
  taken: [],
}
export const EMPTY_DRAFT: Draft = { ...EMPTY_PAD, calls: 1, remark: '', also: EMPTY_PAD, at: 'first' }

/** Whether anything of a figure is on the pad yet. */
const isBegun = (pad: PadDraft): boolean =>
  pad.readability !== null ||
  pad.strength !== null ||
  pad.word !== null ||
  pad.figure !== '' ||
  pad.taken.length > 0 ||
  pad.samples.length > 0

/** Whether anything of a report is on the pad yet. */
export const inHand = (draft: Draft): boolean => draft.calls > 1 || isBegun(draft) || isBegun(draft.also)

/** The draft as the pad shows it: the figure that it is for stands in the first one's place. */
export const shownDraft = (draft: Draft): Draft =>
  draft.at === 'first' ? draft : { ...draft, ...draft.also }

/** A draft changed on the pad, back in its place. */
export function keptDraft(old: Draft, shown: Draft): Draft {
  if (old.at === 'first') return shown
  const { readability, strength, overDb, figure, word, samples, taken, calls, remark } = shown
  return { ...old, calls, remark, also: { readability, strength, overDb, figure, word, samples, taken } }
}

/** A report in hand with the last step taken back: one call fewer, the second figure, or else all of it; a remark stays. */
export function stepBack(draft: Draft): Draft {
  if (draft.calls > 1) return { ...draft, calls: draft.calls - 1 }
  if (isBegun(draft.also)) return { ...draft, also: EMPTY_PAD }
  return { ...EMPTY_DRAFT, remark: draft.remark }
}

/** The report's text as it will be logged; null while something is missing. Several readings stand in a row. */
export function draftText(draft: PadDraft, scale: Scale): string | null {
  const text = oneText(draft, scale)
  return text === null || draft.samples.length === 0 ? text : [...draft.samples, text].join('; ')
}

function oneText(draft: PadDraft, scale: Scale): string | null {
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

/** What the pad still wants of one figure, in words. */
function wantedOf(pad: PadDraft, scale: Scale): string {
  if (scale.kind === 'readability-strength') {
    if (pad.readability === null) return 'Readability?'
    if (pad.strength === null) return 'Strength?'
  }
  return draftText(pad, scale) === null ? 'Report?' : 'Log it'
}

/** The second figure that a check is asked for. */
export interface SecondFigure {
  first: string
  second: string
  scale: Scale
}

/** What the large key says: what is still wanted, the second figure after the first, or that it can be logged. */
export function wanted(draft: Draft, scale: Scale, also: SecondFigure | null = null): string {
  const first = wantedOf(draft, scale)
  if (!also || first !== 'Log it') return first
  if (isBegun(draft.also)) return wantedOf(draft.also, also.scale)
  return draft.at === 'first' ? `Next: ${also.second}` : `Log without ${also.second}`
}

/** What of a draft is to be logged, or that the pad goes on to the second figure; null while something is missing. */
export function readyToLog(
  draft: Draft,
  scale: Scale,
  also: SecondFigure | null,
): { text: string; also?: string } | 'second' | null {
  const text = draftText(draft, scale)
  if (text === null || !also) return text === null ? null : { text }
  if (!isBegun(draft.also)) return draft.at === 'first' ? 'second' : { text }
  const second = draftText(draft.also, also.scale)
  return second === null ? null : { text, also: second }
}
