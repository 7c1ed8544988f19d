'use client'

import { useEffect, useState } from 'react'
import type { Causes } from '@/core/findings'
import type { CausesApi } from '@/workers/causes'
import { oneWorker } from '@/ui/worker/oneWorker'
import type { CausesInput } from './compute'

export type CausesState = { at: 'asking' } | { at: 'there'; causes: Causes } | { at: 'failed'; why: string }

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
  const { worker, broken } = causesWorker()
  return Promise.race([worker.causes(input, basis, ground, events), broken])
}

/** What lies behind the findings of an address; worked out in a worker after the page, so that it need not wait. */
export function useCauses(trialId: string, params: string): CausesState {
  const url = `/trials/${trialId}/findings/causes?${params}`
  const [answer, setAnswer] = useState<{ url: string; state: CausesState } | null>(null)
  useEffect(() => {
    const stop = new AbortController()
    const tell = (state: CausesState) => {
      if (!stop.signal.aborted) setAnswer({ url, state })
    }
    workedOut(url, stop.signal)
      .then((causes) => tell({ at: 'there', causes }))
      .catch((e: unknown) => tell({ at: 'failed', why: e instanceof Error ? e.message : 'no answer' }))
    return () => stop.abort()
  }, [url])
  return answer?.url === url ? answer.state : { at: 'asking' }
}
