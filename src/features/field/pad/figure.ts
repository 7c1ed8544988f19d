import type { Scale } from '@/core/reports'

/** Keys of the pad of figures, beside its digits. */
export type FigureKey = '.' | '-' | 'to' | 'back'

const MOST = 15
const SIGN = /^-/

/** Whether a figure in a scale is one below nought until it is said otherwise. */
const below = (scale: Scale) => scale.kind === 'level' && scale.unit === 'dBm' && !scale.minusOmitted

/** The two ends of what is typed: the last is the one being typed. */
function ends(figure: string): { before: string; last: string } {
  const at = figure.lastIndexOf(' to ')
  return at < 0
    ? { before: '', last: figure }
    : { before: figure.slice(0, at + 4), last: figure.slice(at + 4) }
}

/**
 * What is typed after one more key: digits, a decimal point, the sign turned, "to" for a reading that wavers between
 * two ends, the last key taken back. On a display in dBm a figure begins with the minus sign.
 */
export function figureAfter(figure: string, key: string, scale: Scale): string {
  const { before, last } = ends(figure)
  if (key === 'back') {
    if (last === '' && before !== '') return before.slice(0, -4)
    return before + (/^-\d$/.test(last) ? '' : last.slice(0, -1))
  }
  if (key === '-') return before + (SIGN.test(last) ? last.slice(1) : `-${last}`)
  if (key === 'to') return before === '' && /\d$/.test(last) ? `${last} to ` : figure
  if (key === '.') return /\d$/.test(last) && !last.includes('.') ? `${figure}.` : figure
  if (figure.length >= MOST || !/^\d$/.test(key) || last.replace(/\D/g, '').length >= 4) return figure
  return before + (last === '' && below(scale) ? `-${key}` : last + key)
}

/** Whether what is typed is a figure, or two with "to" between. */
export const isFigure = (figure: string): boolean => /^-?\d+(\.\d+)?( to -?\d+(\.\d+)?)?$/.test(figure)
