import { figureText, signedText } from '@/core/units/numberText'
import type { DifferenceUnit } from '../joint/jointFit'

/** A figure to a tenth with a proper minus: "3.1", "−0.4". */
export const tenths = (v: number) => figureText(v)

/** A figure with its sign, to a tenth: "+3.1", "−0.4", "0.0". */
export const signed = (v: number) => signedText(v)

/** What a difference with a size is told in, as a sentence has it. */
export const unitText = (unit: DifferenceUnit) => (unit === 'dB' ? 'dB' : 'steps of the scale')

/** A chance as so many of a hundred; never certainty either way. */
export const inHundred = (chance: number) => Math.min(99, Math.max(1, Math.round(100 * chance)))

/** With a capital letter, as a sentence begins. */
export const capital = (text: string) => `${text.slice(0, 1).toUpperCase()}${text.slice(1)}`

export { andList } from '@/core/units/andList'
