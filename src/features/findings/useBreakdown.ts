'use client'

import type { Breakdown } from '@/core/findings'
import type { BreakdownApi } from '@/workers/breakdown'
import { oneWorker } from '@/ui/answers/oneWorker'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { BreakdownInput } from './compute'

/** The one worker that works causes out; it keeps what a turned knob does not change. */
const breakdownWorker = oneWorker<BreakdownApi>(
  () => new Worker(new URL('../../workers/breakdown.ts', import.meta.url), { type: 'module' }),
)

async function workedOut(url: string, signal: AbortSignal): Promise<Breakdown> {
  const answer = await fetch(url, { signal })
  const body: unknown = await answer.json()
  if (!answer.ok)
    throw new Error((body as { error?: string }).error ?? `the server answered ${answer.status}`)
  const { input, basis, ground, events } = body as BreakdownInput
  return breakdownWorker().worker.breakdown(input, basis, ground, events)
}

/** What lies behind the findings of an address; worked out in a worker after the page, so that it need not wait. */
export function useBreakdown(trialId: string, params: string): Answer<Breakdown> {
  const url = `/trials/${trialId}/findings/breakdown?${params}`
  return useAnswer([url], ([address], signal) => workedOut(address, signal))
}
