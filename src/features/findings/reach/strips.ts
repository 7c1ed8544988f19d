import { reachText, type Findings } from '@/core/findings'
import type { TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import type { Bracket } from '@/ui/strip'

/** Brackets of the usable reach, by link. */
export function bracketsOf(findings: Findings, units: Units): Map<string, Bracket[]> {
  const found = new Map<string, Bracket[]>()
  for (const { linkId, chance, reach } of findings.usable) {
    if (![0.9, 0.5].includes(chance) || reach.seen !== 'some copied') continue
    const { estimateM, lowM, highM } = reach
    const bracket = { chance, estimateM, lowM, highM, label: reachText(reach, units) }
    found.set(linkId, [...(found.get(linkId) ?? []), bracket])
  }
  return found
}

/** The scopes that differences were found in, the one that is quoted first at the front. */
export function scopesOf(findings: Findings, plan: TrialPlan): string[] {
  const asked = [...new Set<string>(findings.pairs.map((p) => p.scope))]
  return asked.includes('both') ? ['both', ...plan.directions] : asked
}
