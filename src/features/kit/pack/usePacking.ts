'use client'

import { useEffect, useRef, useState, useSyncExternalStore } from 'react'
import type { PackingState } from '@/data/schema'
import { storePacking } from './actions'
import { forgetPacking, keepPacking, keptPacking, onPackingKept } from './keptPacking'

const UNPACKED: PackingState = { use: 'in turn', hours: null, temperatureC: 10, ticked: [] }

/**
 * What is packed. A change is kept on the device at once and stored after it, one answer waited for at a
 * time, so that neither a page left early nor a server that is away loses a tick.
 */
export function usePacking(trialId: string, state: PackingState | null) {
  const [stored, setStored] = useState(state ?? UNPACKED)
  const [away, setAway] = useState(false)
  const sending = useRef(false)
  const kept = useSyncExternalStore(
    onPackingKept,
    () => keptPacking(trialId),
    () => null,
  )
  useEffect(() => {
    if (kept === null || sending.current || away) return
    sending.current = true
    const sent = kept
    storePacking(trialId, JSON.parse(sent)).then(
      (outcome) => {
        sending.current = false
        if (!outcome.ok) return setAway(true)
        setStored(JSON.parse(sent) as PackingState)
        forgetPacking(trialId, sent)
      },
      () => {
        sending.current = false
        setAway(true)
      },
    )
  }, [kept, stored, away, trialId])
  const packing = kept === null ? stored : (JSON.parse(kept) as PackingState)
  const change = (next: Partial<PackingState>) => {
    setAway(false)
    keepPacking(trialId, { ...packing, ...next })
  }
  return { packing, change, away }
}
