import type { Scale } from '@/core/reports'
import type { Draft } from './draft'
import { figureAfter } from './figure'

/** What a key does on the field screen. */
export type PadAction =
  | { do: 'draft'; draft: Draft }
  | { do: 'log' | 'not heard' | 'again' | 'undo' | 'at mark' | 'skip' }
  /** A sheet to open. */
  | { do: 'remark' | 'clip' | 'grid' | 'keys' }

const nextOver = (over: number) => (over >= 60 ? 0 : over + 10)

/**
 * Keys of the field screen: digits for readability, Shift+digits for strength, + for dB over nine, n not
 * heard, r again, u undo, e remark, c sound or photo, g all receivers at once, Enter log, m at the mark, s
 * skip, ? the list.
 * @param code of the physical key, so that Shift+digit is the same on every keyboard
 */
export function padKey(
  key: string,
  code: string,
  shift: boolean,
  draft: Draft,
  scale: Scale,
): PadAction | null {
  const digit = /^(?:Digit|Numpad)(\d)$/.exec(code)
  const set = (change: Partial<Draft>): PadAction => ({ do: 'draft', draft: { ...draft, ...change } })
  if (digit) {
    const n = Number(digit[1])
    switch (scale.kind) {
      case 'readability-strength':
        if (shift) return set({ strength: n, overDb: 0 })
        return n >= 1 && n <= 5 ? set({ readability: n }) : null
      case 'readability':
        return n >= 1 && n <= 5 ? set({ readability: n }) : null
      case 'strength':
        return set({ strength: n, overDb: 0 })
      case 'words':
      case 'heard': {
        const word = scale.words.find((w) => w.step === n)?.words[0]
        return word ? set({ word }) : null
      }
      case 'count':
        return n <= (scale.total ?? 9) ? set({ figure: String(n) }) : null
      default:
        return set({ figure: figureAfter(draft.figure, String(n), scale) })
    }
  }
  if (key === '+' || code === 'NumpadAdd')
    return draft.strength === 9 ? set({ overDb: nextOver(draft.overDb) }) : null
  if (key === '-' || key === '.' || key === ',')
    return set({ figure: figureAfter(draft.figure, key === '-' ? '-' : '.', scale) })
  if (key.toLowerCase() === 't' && draft.figure !== '')
    return set({ figure: figureAfter(draft.figure, 'to', scale) })
  if (key === 'Backspace')
    return set({
      figure: figureAfter(draft.figure, 'back', scale),
      readability: null,
      strength: null,
      word: null,
    })
  switch (key.toLowerCase()) {
    case 'enter':
      return { do: 'log' }
    case 'n':
      return { do: 'not heard' }
    case 'r':
      return { do: 'again' }
    case 'u':
      return { do: 'undo' }
    case 'm':
      return { do: 'at mark' }
    case 'e':
      return { do: 'remark' }
    case 's':
      return { do: 'skip' }
    case 'c':
      return { do: 'clip' }
    case 'g':
      return { do: 'grid' }
    case '?':
      return { do: 'keys' }
    default:
      return null
  }
}

/** The list behind "?". */
export const KEY_LIST: [string, string][] = [
  ['1 to 5', 'readability'],
  ['Shift + 0 to 9', 'strength; + adds ten dB over nine'],
  ['digits, . and -', 'a level; t between two ends of one that wavers'],
  ['n', 'not heard'],
  ['r', 'again: one more call was needed'],
  ['Enter', 'log it, and on to the next'],
  ['u', 'undo the last entry'],
  ['e', 'a remark, or a reading that wavers'],
  ['c', 'a sound clip or a photo'],
  ['g', 'several receivers at this mark in one grid'],
  ['s', 'skip this check'],
  ['m', 'at the mark'],
  ['?', 'this list'],
]
