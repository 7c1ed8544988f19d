'use client'

import Box from '@mui/material/Box'
import { useEffect, useRef, useState } from 'react'
import { useAnswer } from '@/ui/answers/useAnswer'
import { useSettled } from '@/ui/answers/useSettled'

/** One is asked for at a time, so that whoever opens a trial meanwhile hardly waits. */
let last: Promise<unknown> = Promise.resolve()

function inTurn<T>(ask: () => Promise<T>): Promise<T> {
  const mine = last.then(ask, ask)
  last = mine.catch(() => undefined)
  return mine
}

async function leadOf(trialId: string, signal: AbortSignal): Promise<string> {
  signal.throwIfAborted()
  const answer = await fetch(`/trials/${trialId}/findings/lead`, { signal })
  if (!answer.ok) throw new Error(`the server answered ${answer.status}`)
  return ((await answer.json()) as { lead: string }).lead
}

/** What a trial found, once it is seen; until it is worked out, the place that most sentences take. */
export function TrialAnswer({ trialId }: { trialId: string }) {
  const box = useRef<HTMLSpanElement>(null)
  const [seen, setSeen] = useState(false)
  useEffect(() => {
    const watch = new IntersectionObserver((all) => {
      if (all.some((e) => e.isIntersecting)) setSeen(true)
    })
    watch.observe(box.current!)
    return () => watch.disconnect()
  }, [])
  const answer = useAnswer(seen ? [trialId] : null, ([id], signal) => inTurn(() => leadOf(id, signal)))
  const lead = useSettled(answer.value)
  return (
    <Box
      component="span"
      ref={box}
      sx={{
        display: 'block',
        minHeight: { xs: '6em', sm: '3em' },
        mt: 0.5,
        lineHeight: 1.5,
        fontWeight: 700,
      }}
    >
      {lead}
    </Box>
  )
}
