import { countText } from '@/core/units'

/** Which state predictions are in, wherever they are shown. */
export const stateWords = (by: { checks: number; marks: number } | null): string =>
  by === null
    ? 'Before any check: the prediction alone.'
    : `Corrected by ${countText(by.checks, 'check')} at ${countText(by.marks, 'mark')}.`
