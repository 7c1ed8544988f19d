'use client'

import { usePathname, useRouter } from 'next/navigation'
import { useEffect, useRef, useState, useTransition } from 'react'
import { paramsFromSettings, type Settings } from './ruleParams'

/**
 * Knobs over the findings of an address. While the server answers, what was asked for last stands on them and
 * is what the next turn starts from. One answer is waited for at a time: of several turns in a row only the
 * last is asked for after it, so that the server never works out what nobody will see.
 */
export function useSettings(settings: Settings, runId: string) {
  const router = useRouter()
  const path = usePathname()
  const [waiting, start] = useTransition()
  const [asked, setAsked] = useState(settings)
  const sent = useRef(settings)
  const go = (next: Settings) => {
    sent.current = next
    start(() => router.replace(`${path}?${paramsFromSettings(next, runId)}`, { scroll: false }))
  }
  useEffect(() => {
    if (!waiting && asked !== sent.current) go(asked)
  })
  const shown = waiting ? asked : settings
  const turn = (change: Partial<Settings>) => {
    const next = { ...shown, ...change }
    setAsked(next)
    if (!waiting) go(next)
  }
  return { shown, waiting, turn }
}
