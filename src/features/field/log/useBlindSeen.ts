import { useEffect } from 'react'
import { BLIND_SEEN, blindDraw } from '@/core/trial'
import type { RunLogHandle } from './useRunLog'

/** Logs that the letters another device drew have arrived on this one, so that whoever drew them can tell. */
export function useBlindSeen({ log, device, ready, add }: RunLogHandle, mayWrite: boolean): void {
  const draw = blindDraw(log)
  const fresh = draw && draw.device !== device && !draw.seen ? draw.id : null
  useEffect(() => {
    if (fresh !== null && mayWrite && ready)
      void add({ kind: 'other', what: BLIND_SEEN, detail: { draw: fresh } }).catch(() => undefined)
  }, [fresh, mayWrite, ready, add])
}
