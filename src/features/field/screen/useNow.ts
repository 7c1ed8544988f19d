import { useMemo, useState } from 'react'
import { listenerOf, type Link } from '@/core/kit'
import type { Scale } from '@/core/reports'
import {
  keyText,
  marksNow,
  nextCheck,
  schedule,
  wordsFor,
  type CheckKey,
  type Mark,
  type RunLog,
  type ScheduledCheck,
  type TrialPlan,
} from '@/core/trial'
import type { FieldSettings } from '../device/settings'
import type { SecondFigure } from '../pad/draft'

/** What is to be done now, and what is left. */
export interface Now {
  /** The plan as far as this end logs it. */
  mine: TrialPlan
  checks: ScheduledCheck[]
  /** Those still to be made. */
  open: ScheduledCheck[]
  now: ScheduledCheck | null
  link: Link | null
  scale: Scale | null
  /** The second figure that this check is asked for; null where one is enough. */
  also: SecondFigure | null
  /** The words read out, where words are counted. */
  sentWords: string[] | null
  mark: Mark | null
  /** Another check than the next is wanted; null goes back to the plan's order. */
  choose: (key: CheckKey | null) => void
}

/** The check that is asked for now: the one chosen while it is open, else the next of the plan. */
export function useNow(plan: TrialPlan, log: RunLog, by: Pick<FieldSettings, 'role' | 'alone'>): Now {
  const [chosen, choose] = useState<CheckKey | null>(null)
  const isBoth = by.role !== 'base' || by.alone
  const mine = useMemo(() => {
    // At the base one logs what the base hears; out there, or alone, both halves, since the other's report comes by radio.
    const directions = plan.directions.filter((d) => isBoth || d !== 'from base')
    return directions.length > 0 ? { ...plan, directions } : plan
  }, [plan, isBoth])
  const checks = useMemo(() => schedule(mine, log), [mine, log])
  const open = checks.filter((c) => c.state === 'to do')
  const picked = chosen && open.find((c) => keyText(c) === keyText(chosen))
  const now = picked || nextCheck(mine, log)
  const link = now ? plan.links.find((l) => l.id === now.linkId)! : null
  const scale = now ? plan.scales[listenerOf(now.direction)] : null
  const second = now && plan.also ? plan.also.scales[listenerOf(now.direction)] : null
  const also = useMemo(
    () => (second && plan.also ? { first: plan.also.first, second: plan.also.second, scale: second } : null),
    [second, plan.also],
  )
  const counted = [scale, second].find((s) => s?.kind === 'count' && s.of === 'words')
  const total = counted?.kind === 'count' ? counted.total : null
  const sentWords = now && counted ? wordsFor(plan.order.seed, now, total ?? 5) : null
  const mark = now?.mark ?? marksNow(plan, log).find((m) => m.id === log.currentMark) ?? null
  return { mine, checks, open, now, link, scale, also, sentWords, mark, choose }
}
