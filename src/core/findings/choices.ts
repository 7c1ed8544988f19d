import type { KnownDifference } from '@/core/kit/rig/rig'
import type { Scale } from '@/core/reports/scale'

/** What evening can take out. */
export const EVENING_TERMS = [
  'power',
  'lead loss',
  'antenna gain',
  'attenuator',
  'height',
] as const satisfies readonly KnownDifference['what'][]
export type EveningTerm = (typeof EVENING_TERMS)[number]

/** Taken out unless the reader says otherwise; height only if asked. */
export const USUAL_EVENING: readonly EveningTerm[] = ['power', 'lead loss', 'antenna gain', 'attenuator']

/** Something that the reader left out of the findings, and why. */
export interface LeftOutChoice {
  what: 'leg' | 'mark' | 'check'
  id: string
  reason: string
}

/** What a reader may choose over the same log, beside the copy rule. */
export interface Choices {
  evening: readonly EveningTerm[]
  leftOut: readonly LeftOutChoice[]
  /** dB of one S-unit to read every meter by; null as each scale declares it, 'unknown' averaged over 3 to 6. */
  unitStepDb: number | 'unknown' | null
}

export const USUAL_CHOICES: Choices = { evening: USUAL_EVENING, leftOut: [], unitStepDb: null }

/** A scale whose meter is read by another step than it declares. */
export function withStep(scale: Scale, unitStepDb: Choices['unitStepDb']): Scale {
  if (unitStepDb === null || !('strength' in scale) || scale.strength.by === 'ear') return scale
  const stepDb = unitStepDb === 'unknown' ? null : unitStepDb
  return { ...scale, strength: { ...scale.strength, stepDb, calibrated: false } }
}
