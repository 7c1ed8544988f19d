'use client'

import type { Causes } from '@/core/findings'
import type { CausesApi } from '@/workers/causes'
import { oneWorker } from '@/ui/answers/oneWorker'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'
import type { CausesInput } from './compute'

/** The one worker that works causes out; it keeps what a turned knob does not change. */
const causesWorker = oneWorker<CausesApi>(
  () => new Worker(new URL('../../workers/causes.ts', import.meta.url), { type: 'module' }),
)

async function workedOut(url: string, signal: AbortSignal): Promise<Causes> {
  const answer = await fetch(url, { signal })
  const body: unknown = await answer.json()
  if (!answer.ok)
    throw new Error((body as { error?: string }).error ?? `the server answered ${answer.status}`)
  const { input, basis, ground, events } = body as CausesInput
  return causesWorker().worker.causes(input, basis, ground, events)
}

/** What lies behind the findings of an address; worked out in a worker after the page, so that it need not wait. */
export function useCauses(trialId: string, params: string): Answer<Causes> {
  const url = `/trials/${trialId}/findings/causes?${params}`
  return useAnswer([url], (signal) => workedOut(url, signal))
}
