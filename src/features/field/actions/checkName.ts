import { marksNow, type CheckKey, type RunLog, type TrialPlan } from '@/core/trial'

/** A check in words, as the field screen names it: "Long whip to base at M04"; in a blind run by the letter that is said. */
export function checkName(plan: TrialPlan, log: RunLog, { linkId, direction, markId }: CheckKey): string {
  const link = log.blind?.[linkId] ?? plan.links.find((l) => l.id === linkId)?.name ?? 'a rig'
  const mark = marksNow(plan, log).find((m) => m.id === markId)?.name ?? 'a mark'
  return `${link} ${direction} at ${mark}`
}
