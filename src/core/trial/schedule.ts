import { balancedOrder } from './balancedOrder'
import { settledKeys, standingChecks, type RunLog } from './foldEntries'
import { keyText, type CheckKey, type Mark, type TrialPlan } from './plan'

export interface ScheduledCheck extends CheckKey {
  mark: Mark
  state: 'to do' | 'logged' | 'skipped'
}

/** The plan's marks with those of the log put in: replaced ones gone unless something was logged there. */
export function marksNow(plan: TrialPlan, log: RunLog): Mark[] {
  const used = new Set(standingChecks(log).map((c) => c.markId))
  const marks = [...plan.marks]
  for (const { mark, before } of log.marksAdded) {
    if (marks.some((m) => m.id === mark.id)) continue
    const at = before === null ? -1 : marks.findIndex((m) => m.id === before)
    if (at < 0) marks.push(mark)
    else marks.splice(at, 0, mark)
  }
  const replaced = new Set(log.marksReplaced)
  return marks.filter((m) => !replaced.has(m.id) || used.has(m.id))
}

/** Every check of the plan in the order to make it, without a log. */
export function plannedChecks(
  plan: TrialPlan,
  marks: readonly Mark[] = plan.marks,
): (CheckKey & { mark: Mark })[] {
  const rows =
    plan.order.scheme === 'balanced'
      ? balancedOrder(plan.links.length, marks.length * plan.repeats, plan.order.seed)
      : Array.from({ length: marks.length * plan.repeats }, () => plan.links.map((_, i) => i))
  return marks.flatMap((mark, m) =>
    Array.from({ length: plan.repeats }, (_, r) => r).flatMap((r) =>
      (rows[m * plan.repeats + r] ?? []).flatMap((l) =>
        plan.directions.map((direction) => ({
          mark,
          markId: mark.id,
          linkId: plan.links[l]!.id,
          direction,
          repeat: r + 1,
        })),
      ),
    ),
  )
}

/** The schedule as it stands: what is logged, what was skipped, what is still to do. */
export function schedule(plan: TrialPlan, log: RunLog): ScheduledCheck[] {
  const settled = settledKeys(log)
  const skipped = new Set(log.skipped.map(keyText))
  const logged = new Set(standingChecks(log).map(keyText))
  return plannedChecks(plan, marksNow(plan, log)).map((check) => {
    const key = keyText(check)
    const state = !settled.has(key) ? 'to do' : logged.has(key) || !skipped.has(key) ? 'logged' : 'skipped'
    return { ...check, state }
  })
}

/**
 * The next check to make: the first one open at the mark where the log stands, else the first one open of all.
 */
export function nextCheck(plan: TrialPlan, log: RunLog): ScheduledCheck | null {
  const open = schedule(plan, log).filter((c) => c.state === 'to do')
  return open.find((c) => c.markId === log.currentMark) ?? open[0] ?? null
}

/**
 * How long the plan takes, minutes: walking out along each leg and back at walking pace, half a minute a check, one
 * minute for every change of rig. An estimate, and shown as one.
 * @param speedKmh above nought, 4 by default
 */
export function estimatedMinutes(plan: TrialPlan, speedKmh = 4): number {
  const legs = new Map<string, number>()
  for (const m of plan.marks) legs.set(m.legId, Math.max(legs.get(m.legId) ?? 0, m.alongM ?? m.distanceM))
  const walkedKm = [...legs.values()].reduce((s, far) => s + (2 * far) / 1000, 0)
  return (walkedKm / speedKmh) * 60 + stoppedMinutes(plan)
}

/** Minutes of a plan that are not walked: its checks and its changes of rig. */
function stoppedMinutes(plan: TrialPlan): number {
  const checks = plannedChecks(plan)
  const changes = checks.filter((c, i) => i > 0 && c.linkId !== checks[i - 1]!.linkId).length
  return checks.length * 0.5 + changes
}

/** The same for one mark, minutes. */
export function estimatedMinutesAtMark(plan: TrialPlan): number {
  return plan.marks.length > 0 ? stoppedMinutes(plan) / plan.marks.length : 0
}
