import type { LeftOutChoice } from '@/core/findings'
import { marksNow, type RunLog, type TrialPlan } from '@/core/trial'

/** Something that can be left out of the findings. */
export interface LeftOutOption {
  what: LeftOutChoice['what']
  id: string
  label: string
  group: string
}

/** Legs, marks and standing checks of a run, as they are called. */
export function leftOutOptions(plan: TrialPlan, log: RunLog): LeftOutOption[] {
  const marks = marksNow(plan, log)
  const legs = [...new Map(marks.map((m) => [m.legId, m.legName]))]
  const links = new Map(plan.links.map((l) => [l.id, l.name]))
  const names = new Map(marks.map((m) => [m.id, m.name]))
  return [
    ...legs.map(([id, label]): LeftOutOption => ({ what: 'leg', id, label, group: 'Legs' })),
    ...marks.map((m): LeftOutOption => ({ what: 'mark', id: m.id, label: m.name, group: 'Marks' })),
    ...log.checks
      .filter((c) => c.voided === null)
      .map((c): LeftOutOption => ({
        what: 'check',
        id: c.id,
        label: `${names.get(c.markId) ?? 'another mark'}, ${links.get(c.linkId) ?? 'another rig'} ${c.direction}: ${c.text || c.state}`,
        group: 'Checks',
      })),
  ]
}
