'use client'

import { useEffect, useState } from 'react'
import type { BoardLine } from '@/core/crew'

/** Asked for this often where the server cannot tell by itself, ms. */
const ASK_MS = 10_000
const AGE_MS = 15_000

export interface Board {
  lines: BoardLine[]
  /** Now, ms: what is so long ago is counted from it. */
  now: number
}

/**
 * Who is out, followed as it changes: the server tells, and where it cannot it is asked.
 * @param madeAt when the page was made, ms
 */
export function useBoard(trialId: string, first: BoardLine[], madeAt: number): Board {
  const [lines, setLines] = useState(first)
  const [now, setNow] = useState(madeAt)
  useEffect(() => {
    const take = (text: string) => {
      setLines((JSON.parse(text) as { lines: BoardLine[] }).lines)
      setNow(Date.now())
    }
    const query = `trial=${encodeURIComponent(trialId)}`
    const told = new EventSource(`/api/board/events?${query}`)
    told.onmessage = (e) => take(String(e.data))
    const asking = setInterval(() => {
      if (told.readyState === EventSource.OPEN) return
      fetch(`/api/board?${query}`, { cache: 'no-store' })
        .then(async (r) => r.ok && take(await r.text()))
        .catch(() => undefined)
    }, ASK_MS)
    const ageing = setInterval(() => setNow(Date.now()), AGE_MS)
    return () => {
      told.close()
      clearInterval(asking)
      clearInterval(ageing)
    }
  }, [trialId])
  return { lines, now }
}
