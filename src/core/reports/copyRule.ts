import type { CopyRule } from './copyRuleRecord'
import type { Reading } from './reading'
import type { Scale } from './scale'

export type { CopyRule } from './copyRuleRecord'

/** Hearing it is enough, on the second call as well. */
export const ANY_HEARD: CopyRule = {
  minReadability: null,
  maxCalls: 2,
  minLevel: null,
  minShare: null,
  minWord: null,
  minFigure: null,
}

export const USUAL_COPY_RULE: CopyRule = { ...ANY_HEARD, minReadability: 3 }

type Threshold = Exclude<keyof CopyRule, 'maxCalls'>

/** The threshold that a scale has, where it has one: each kind is asked what its reports tell, and nothing else. */
export function thresholdOf(scale: Scale): Threshold | null {
  switch (scale.kind) {
    case 'readability-strength':
    case 'readability':
      return 'minReadability'
    case 'strength':
    case 'bare':
      return 'minFigure'
    case 'level':
      return 'minLevel'
    case 'count':
      return 'minShare'
    case 'words':
      return 'minWord'
    case 'heard':
    case 'comparative':
    case 'rate':
      return null
  }
}

/** What a heard reading says where its scale's threshold asks; null where it says nothing there. */
function valueAt(reading: Extract<Reading, { state: 'heard' }>, threshold: Threshold): number | null {
  switch (threshold) {
    case 'minReadability':
      return reading.readability
    case 'minLevel':
      return reading.level?.from ?? null
    case 'minShare':
      return reading.count && reading.count.k / reading.count.n
    case 'minWord':
      return reading.step
    case 'minFigure':
      return reading.strength?.from.units ?? reading.step
  }
}

/**
 * Whether a check came through by the rule.
 * @param calls calls it took, 1 or more
 * @param scale of whoever listened; only its own threshold is asked
 * @returns null where the report cannot be judged by it (not read, not graded)
 */
export function isCopied(reading: Reading, calls: number, rule: CopyRule, scale: Scale): boolean | null {
  if (reading.state === 'not heard') return false
  if (reading.state !== 'heard') return null
  if (calls > rule.maxCalls) return false
  const threshold = thresholdOf(scale)
  // Rules written down before a threshold was known do not have it.
  const least = (threshold && rule[threshold]) ?? null
  const value = threshold && valueAt(reading, threshold)
  return threshold === null || least === null || value === null || value >= least
}

/** What of the rule a scale is asked, in words. */
function askedOf(scale: Scale, rule: CopyRule): string {
  const heard = 'heard at all'
  switch (scale.kind) {
    case 'readability-strength':
    case 'readability':
      if (!rule.minReadability) return heard
      return rule.minReadability === 5 ? 'readability 5' : `readability ${rule.minReadability} or better`
    case 'strength':
      return rule.minFigure ? `strength ${rule.minFigure} or more` : heard
    case 'bare':
      return rule.minFigure ? `${scale.unit} ${rule.minFigure} or more` : heard
    case 'level':
      return rule.minLevel == null ? heard : `${rule.minLevel} ${scale.unit} or better`
    case 'count':
      if (!rule.minShare) return heard
      return scale.total
        ? `${Math.ceil(rule.minShare * scale.total - 1e-9)} of ${scale.total} ${scale.of} or more`
        : `${Math.round(rule.minShare * 100)} % of the ${scale.of} or more`
    case 'words': {
      const step = rule.minWord && scale.words.find((w) => w.step === rule.minWord)
      if (!step || step.step <= 1) return heard
      const top = Math.max(...scale.words.map((w) => w.step))
      return step.step === top ? `“${step.words[0]}”` : `“${step.words[0]}” or better`
    }
    case 'heard':
    case 'comparative':
    case 'rate':
      return heard
  }
}

/**
 * The rule in words, about the scales that are used: "readability 3 or better on no more than 2 calls".
 * @param scales of those who listen; two that are asked different things are told apart
 */
export function describeCopyRule(
  rule: CopyRule,
  scales: { base?: Scale | undefined; out?: Scale | undefined },
): string {
  const [base, out] = [scales.base, scales.out].map((s) => s && askedOf(s, rule))
  const what =
    base === undefined || out === undefined || base === out
      ? (base ?? out ?? 'heard at all')
      : `${base} at the base, ${out} out there,`
  return rule.maxCalls === 1 ? `${what} on the first call` : `${what} on no more than ${rule.maxCalls} calls`
}
