'use client'

import type { Breakdown } from '@/core/findings'
import { useAnswer, type Answer } from '@/ui/answers/useAnswer'

async function workedOut(url: string, signal: AbortSignal): Promise<Breakdown> {
  const answer = await fetch(url, { signal })
  const body: unknown = await answer.json()
  if (!answer.ok)
    throw new Error((body as { error?: string }).error ?? `the server answered ${answer.status}`)
  return body as Breakdown
}

/** What lies behind the findings of an address; asked for after the page, so that it need not wait. */
export function useBreakdown(trialId: string, params: string): Answer<Breakdown> {
  const url = `/trials/${trialId}/findings/breakdown?${params}`
  return useAnswer([url], ([address], signal) => workedOut(address, signal))
}
