import type { PlanGround } from '@/core/reach'
import { foldEntries, marksNow, planNow, type Entry, type TrialPlan } from '@/core/trial'
import { stripModel, type StripModel } from '@/ui/strip/model'
import { thinned } from '@/ui/strip/thinned'

/** What is logged of a run and what is still to make, as it is sent to be drawn. */
export function progressStrip({
  plan,
  entries,
}: {
  plan: TrialPlan
  entries: readonly Entry[]
}): (ground: PlanGround | null) => StripModel {
  const log = foldEntries(entries)
  const now = planNow(plan, log)
  const marks = marksNow(now, log)
  return (ground) => thinned(stripModel(now, marks, log, new Map(), null, ground))
}
