'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState, useTransition } from 'react'
import { paramsFromKnobs, type Knobs } from './ruleParams'

/**
 * Knobs over the findings of an address. While the server answers, what was asked for last stands on them and
 * is what the next turn starts from. One answer is waited for at a time: of several turns in a row only the
 * last is asked for after it, so that the server never works out what nobody will see.
 */
export function useKnobs(knobs: Knobs, trialId: string, runId: string) {
  const router = useRouter()
  const [waiting, start] = useTransition()
  const [asked, setAsked] = useState(knobs)
  const sent = useRef(knobs)
  const go = (next: Knobs) => {
    sent.current = next
    start(() =>
      router.replace(`/trials/${trialId}/findings?${paramsFromKnobs(next, runId)}`, { scroll: false }),
    )
  }
  useEffect(() => {
    if (!waiting && asked !== sent.current) go(asked)
  })
  const shown = waiting ? asked : knobs
  const turn = (change: Partial<Knobs>) => {
    const next = { ...shown, ...change }
    setAsked(next)
    if (!waiting) go(next)
  }
  return { shown, waiting, turn }
}
