import type { PlanGround } from '@/core/reach'
import { marksNow, planNow, type RunLog, type TrialPlan } from '@/core/trial'
import { stripModel, type StripModel } from '@/ui/strip/model'
import { thinned } from '@/ui/strip/thinned'

/** What is logged of a run and what is still to make, as it is sent to be drawn. */
export function progressStrip(run: {
  plan: TrialPlan
  log: RunLog
}): (ground: PlanGround | null) => StripModel {
  const plan = planNow(run.plan, run.log)
  const marks = marksNow(plan, run.log)
  return (ground) => thinned(stripModel(plan, marks, run.log, new Map(), null, ground))
}
