import { useMemo } from 'react'
import { isAllStrangers } from '@/core/kit'
import type { TrialPlan } from '@/core/trial'
import { useFieldSettings, type FieldSettings } from './settings'

/** How this device is used in a run; where only other stations are out there it is at the base, and alone. */
export function useRunSettings(runId: string, plan: TrialPlan): FieldSettings {
  const kept = useFieldSettings(runId)
  const strangers = isAllStrangers(plan.links)
  return useMemo(() => (strangers ? { ...kept, role: 'base', alone: true } : kept), [kept, strangers])
}
