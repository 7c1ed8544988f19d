import type { InferType } from 'yup'
import { figure, record } from '@/core/schema'

export const copyRuleRecord = record({
  /** Least readability, 1 to 5; null where any will do. */
  minReadability: figure().integer().min(1).max(5).nullable().default(null),
  /** Most calls it may take, 1 or more. */
  maxCalls: figure().integer().min(1).max(99).required(),
  /** Least level in the listener's unit (dBm and its like); null where any will do. */
  minLevel: figure().min(-200).max(100).nullable().default(null),
  /** Least share of words or packets copied, 0 to 1; null where any will do. */
  minShare: figure().min(0).max(1).nullable().default(null),
  /** From which step of a list of plain words on; null where any but the lowest will do. */
  minWord: figure().integer().min(1).max(50).nullable().default(null),
  /** Least strength alone (S-units, or out of five), or least bare reading; null where any will do. */
  minFigure: figure().min(0).max(1e6).nullable().default(null),
})

/** What counts as heard. A trial states it; findings repeat it; it can be changed afterwards over the same log. */
export type CopyRule = InferType<typeof copyRuleRecord>
