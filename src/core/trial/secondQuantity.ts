import type { LoggedCheck, RunLog } from './foldEntries'
import type { TrialPlan } from './plan'

/** A plan as its second figure is read and judged; the plan itself where it asks for one figure alone. */
export function planBySecond(plan: TrialPlan): TrialPlan {
  const { also } = plan
  return also ? { ...plan, scales: also.scales, copyRule: also.copyRule } : plan
}

/** A check as its second figure tells it; null where none was given. What was not heard at all has neither. */
function bySecond(check: LoggedCheck): LoggedCheck | null {
  const { also, ...rest } = check
  if (also !== undefined) return { ...rest, text: also }
  return check.state === 'sent' || check.text === 'not heard' ? rest : null
}

/** A log with its checks as their second figure tells them; those without one are left out. */
export function logBySecond(log: RunLog): RunLog {
  return { ...log, checks: log.checks.flatMap((c) => bySecond(c) ?? []) }
}
