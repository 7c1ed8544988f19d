import type { CopyRule } from '@/core/reports'

/** A copy rule in an address: what is not named is the plan's. */
export function ruleFromParams(
  params: Record<string, string | string[] | undefined>,
  plan: CopyRule,
): CopyRule {
  const number = (name: string, least: number, most: number, old: number | null): number | null => {
    const raw = params[name]
    if (typeof raw !== 'string') return old
    if (raw === '') return null
    const n = Number(raw)
    return Number.isFinite(n) && n >= least && n <= most ? n : old
  }
  return {
    minReadability: number('readability', 1, 5, plan.minReadability),
    maxCalls: number('calls', 1, 99, plan.maxCalls) ?? plan.maxCalls,
    minLevel: number('level', -200, 100, plan.minLevel),
    minShare: number('share', 0, 1, plan.minShare),
  }
}

export function paramsFromRule(rule: CopyRule, runId: string): string {
  const params = new URLSearchParams({
    run: runId,
    readability: String(rule.minReadability ?? ''),
    calls: String(rule.maxCalls),
    level: String(rule.minLevel ?? ''),
    share: String(rule.minShare ?? ''),
  })
  return params.toString()
}
