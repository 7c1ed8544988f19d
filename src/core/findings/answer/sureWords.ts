import type { TrialPlan } from '@/core/trial'
import { countText } from '@/core/units'
import type { Findings } from '../findings'

/** What an answer rests on and how its intervals are to be read, in a sentence or two. */
export function sureWords(findings: Findings, plan: TrialPlan): string {
  const { where, checks, quality, fixedBeforehand } = findings
  const used = Math.max(
    0,
    ...findings.pairs.map((p) => p.joint?.used ?? p.evened?.marksUsed.length ?? 0),
    ...findings.reaches.flatMap((r) => r.reaches.map((x) => x.marks)),
  )
  const unit = where === 'one place' ? 'round' : 'mark'
  const from = `From ${countText(checks, 'check')}${used > 0 ? ` at ${countText(used, unit)}` : ''}`
  const here =
    where === 'one place'
      ? '; here, and only here'
      : where === 'sky'
        ? '; for these distances and hours'
        : plan.surroundings === 'mixed'
          ? ''
          : `, in ${plan.surroundings} surroundings`
  const early = fixedBeforehand ? '' : ' Not every mark was reached, and the intervals allow for that.'
  const poor = quality?.poor ? ' The figures did not settle: do not lean on them.' : ''
  const brackets = findings.standings?.unit === 'none' ? '' : ' The figures in brackets hold 9 times in 10.'
  return `${from}${here}.${brackets}${early}${poor}`
}
