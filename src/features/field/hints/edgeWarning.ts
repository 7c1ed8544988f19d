import { marksNow, type RunLog, type ScheduledCheck, type TrialPlan } from '@/core/trial'

export interface Prediction {
  plan: TrialPlan
  log: RunLog
  now: ScheduledCheck | null
}

/** Said from this share of a leg's marks on. */
const LATE = 0.75

const lost = (text: string) => /not heard|no copy|nothing|gone|nil/i.test(text)

/**
 * Everything was heard so far and the leg nears its end: the edge may not come, and no reach will be
 * measured. What would bring it is said. Null where something was lost, or it is too early to tell.
 */
export function edgeWarning({ plan, log, now }: Prediction): string | null {
  if (!now || log.attenuationDb > 0) return null
  const marks = marksNow(plan, log).filter((m) => m.legId === now.mark.legId)
  const at = marks.findIndex((m) => m.id === now.markId)
  if (marks.length < 4 || at < LATE * (marks.length - 1)) return null
  const here = new Set(marks.map((m) => m.id))
  const made = log.checks.filter((c) => !c.voided && here.has(c.markId))
  if (made.length < 6 || made.some((c) => lost(c.text))) return null
  return `All ${made.length} checks on ${now.mark.legName} were heard: the edge may not come. Put an attenuator in, or go on farther (More).`
}
