import type { CopyRule } from './copyRuleRecord'
import type { Reading } from './reading'

export type { CopyRule } from './copyRuleRecord'

export const USUAL_COPY_RULE: CopyRule = { minReadability: 3, maxCalls: 2, minLevel: null, minShare: null }

/**
 * Whether a check came through by the rule.
 * @param calls calls it took, 1 or more
 * @returns null where the report cannot be judged by it (not read, not graded)
 */
export function isCopied(reading: Reading, calls: number, rule: CopyRule): boolean | null {
  if (reading.state === 'not heard') return false
  if (reading.state !== 'heard') return null
  if (calls > rule.maxCalls) return false
  if (
    rule.minReadability !== null &&
    reading.readability !== null &&
    reading.readability < rule.minReadability
  )
    return false
  if (rule.minLevel !== null && reading.level !== null && reading.level.from < rule.minLevel) return false
  if (rule.minShare !== null && reading.count !== null && reading.count.k / reading.count.n < rule.minShare)
    return false
  return true
}

/** The rule in words: "readability 3 or better on no more than 2 calls". */
export function describeCopyRule(rule: CopyRule): string {
  const parts: string[] = []
  if (rule.minReadability !== null) parts.push(`readability ${rule.minReadability} or better`)
  if (rule.minLevel !== null) parts.push(`a level of ${rule.minLevel} or better`)
  if (rule.minShare !== null) parts.push(`${Math.round(rule.minShare * 100)} % or more copied`)
  const what = parts.join(' and ') || 'heard at all'
  return rule.maxCalls === 1 ? `${what} on the first call` : `${what} on no more than ${rule.maxCalls} calls`
}
