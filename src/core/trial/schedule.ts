import { nameLinks } from '@/core/kit/rig/rig'
import { balancedOrder } from './balancedOrder'
import { settledKeys, standingChecks, type RunLog } from './foldEntries'
import { keyText, makesChecks, type CheckKey, type Mark, type TrialPlan } from './plan'

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
  const left = marks
    .filter((m) => !replaced.has(m.id) || used.has(m.id))
    .map((m) => (log.measured[m.id] ? { ...m, ...log.measured[m.id] } : m))
  if (log.legOrder.length === 0) return left
  const place = (m: Mark) => {
    const i = log.legOrder.indexOf(m.legId)
    return i < 0 ? log.legOrder.length : i
  }
  return left
    .map((m, i) => ({ m, i }))
    .sort((a, b) => place(a.m) - place(b.m) || a.i - b.i)
    .map(({ m }) => m)
}

/** The plan as the log made it: with the links that were added out there, and its ends swapped where they were. */
export function planNow(plan: TrialPlan, log: RunLog): TrialPlan {
  const known = new Set(plan.links.map((l) => l.id))
  const added = log.linksAdded.map((l) => l.link).filter((l) => !known.has(l.id))
  const swap = (plan.endsSwapped ?? false) !== log.endsSwapped
  if (added.length === 0 && !swap) return plan
  const links = [...plan.links, ...added]
  if (!swap) return { ...plan, links }
  const swapped = nameLinks(links.map(({ id, base, out }) => ({ id, base: out, out: base })))
  return { ...plan, links: swapped, endsSwapped: log.endsSwapped }
}

/** The order of links at each visit of a mark. */
function orderRows(plan: TrialPlan, visits: number): number[][] {
  const links = plan.links.length
  if (plan.order.scheme === 'balanced') return balancedOrder(links, visits, plan.order.seed)
  return Array.from({ length: visits }, () => plan.links.map((_, i) => i))
}

/** Every check of the plan in the order to make it, without a log. */
export function plannedChecks(
  plan: TrialPlan,
  marks: readonly Mark[] = plan.marks,
): (CheckKey & { mark: Mark })[] {
  if (!makesChecks(plan.way) || plan.links.length === 0) return []
  const onOffOn = plan.order.scheme === 'on-off-on'
  const rows = onOffOn ? [] : orderRows(plan, marks.length * plan.repeats)
  const visit = (mark: Mark, link: number, repeat: number) =>
    plan.directions.map((direction) => ({
      mark,
      markId: mark.id,
      linkId: plan.links[link]!.id,
      direction,
      repeat,
    }))
  return marks.flatMap((mark, m) => {
    if (onOffOn) return onOffOnVisits(plan).flatMap(({ link, repeat }) => visit(mark, link, repeat))
    return Array.from({ length: plan.repeats }, (_, r) => r).flatMap((r) =>
      (rows[m * plan.repeats + r] ?? []).flatMap((l) => visit(mark, l, r + 1)),
    )
  })
}

/**
 * Plugging something in and out: the first link, each other in turn, and the first again after each, so that
 * a drift shows as a difference between two checks of the same link.
 */
function onOffOnVisits(plan: TrialPlan): { link: number; repeat: number }[] {
  const found: { link: number; repeat: number }[] = []
  let first = 0
  for (let r = 1; r <= plan.repeats; r++) {
    found.push({ link: 0, repeat: ++first })
    for (let l = 1; l < plan.links.length; l++) {
      found.push({ link: l, repeat: r })
      found.push({ link: 0, repeat: ++first })
    }
  }
  return found
}

/** Checks asked for once more come after the others of their mark. */
function withRepeats<T extends CheckKey & { mark: Mark }>(checks: readonly T[], log: RunLog) {
  if (log.repeats.length === 0) return checks
  const known = new Set(checks.map(keyText))
  return checks.flatMap((check, i) => {
    if (checks[i + 1]?.markId === check.markId) return [check]
    const more = log.repeats.filter((k) => k.markId === check.markId && !known.has(keyText(k)))
    return [check, ...more.map((k) => ({ ...check, ...k }))]
  })
}

/** The number of the next repeat of a check. */
export function nextRepeat(plan: TrialPlan, log: RunLog, key: CheckKey): number {
  const same = (k: CheckKey) =>
    k.markId === key.markId && k.linkId === key.linkId && k.direction === key.direction
  return (
    Math.max(
      ...schedule(plan, log)
        .filter(same)
        .map((c) => c.repeat),
      key.repeat,
    ) + 1
  )
}

/** The schedule as it stands: what is logged, what was skipped, what is still to do. */
export function schedule(planned: TrialPlan, log: RunLog): ScheduledCheck[] {
  const plan = planNow(planned, log)
  const notAt = new Set(log.linksAdded.flatMap((l) => l.notAt.map((m) => `${l.link.id}|${m}`)))
  const settled = settledKeys(log)
  const skipped = new Set(log.skipped.map(keyText))
  const logged = new Set(standingChecks(log).map(keyText))
  const out = new Set(log.linksOut)
  return withRepeats(plannedChecks(plan, marksNow(plan, log)), log)
    .filter(
      (check) =>
        (!out.has(check.linkId) && !notAt.has(`${check.linkId}|${check.markId}`)) ||
        logged.has(keyText(check)),
    )
    .map((check) => {
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
