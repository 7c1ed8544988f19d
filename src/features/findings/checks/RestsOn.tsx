import type { Findings } from '@/core/findings'
import type { TrialPlan } from '@/core/trial'
import { countText } from '@/core/units'

/**
 * What the findings rest on: the checks, who reported in which scale, what was fixed beforehand, what was
 * held the same.
 */
export function RestsOn({ findings, plan, marks }: { findings: Findings; plan: TrialPlan; marks: number }) {
  const held = (
    <li>
      Surroundings: {plan.surroundings}.
      {plan.sameAs.length > 0 && ` Held the same: ${plan.sameAs.join('; ').toLowerCase()}.`}
    </li>
  )
  if (findings.checks === 0)
    return (
      <ul style={{ margin: 0, paddingLeft: 20, maxWidth: 860 }}>
        <li>
          No checks were logged. Walks to the edge and drives by ear are put together as distances that lie
          between where a rig was still heard and where it was lost: a log-normal reach for each rig, one
          ground for each way, one spread for all walks.
        </li>
        <li>Comparisons are counted mark by mark, and told by the exact sign test.</li>
        {held}
      </ul>
    )
  return (
    <ul style={{ margin: 0, paddingLeft: 20, maxWidth: 860 }}>
      <li>
        {countText(findings.checks, 'check')} at {countText(marks, 'mark')}.{' '}
        {findings.leftOut.length === 0
          ? 'None was left out of everything.'
          : findings.leftOut.map((l) => `${l.checkIds.length} left out: ${l.why}.`).join(' ')}
      </li>
      {findings.scales.map((s) => (
        <li key={s.direction}>
          {s.direction}: {s.listener === 'base' ? 'the base' : 'whoever was out there'} reported {s.scale}.
        </li>
      ))}
      <li>
        {findings.fixedBeforehand
          ? 'The number of marks was fixed beforehand and carried out, so the plain intervals hold.'
          : 'Not every mark was reached, or their number was not fixed, so verdicts go by the interval that allows for stopping early.'}
      </li>
      {findings.quality?.slower && (
        <li>The usual way to the figures did not settle; they were worked out by a slower one.</li>
      )}
      {findings.quality?.poor && (
        <li>
          The figures did not settle: reports that are all the same, or contradict one another, leave them
          open. Do not lean on them.
        </li>
      )}
      {held}
    </ul>
  )
}
