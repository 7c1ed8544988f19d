'use client'

import Button from '@mui/material/Button'
import { useEffect, useState } from 'react'

/** What keeps runs on this device is as large as the rest of the page, and comes after it. */
const onDevice = () => import('../device/onDevice')

type State = 'not here' | 'working' | 'here' | 'no worker' | 'failed'

const WORDS: Record<State, string> = {
  'not here': 'not on this device yet',
  working: 'taking it along…',
  here: 'on this device: opens with no network',
  'no worker': 'its log is here, but this browser keeps no pages: stay where the server is',
  failed: 'it could not be kept; free some space on this device',
}

/**
 * Takes a run along: everything it needs is put on this device, and it is checked that it would open with the
 * network off.
 */
export function TakeAlong({ runId, name }: { runId: string; name: string }) {
  const [state, setState] = useState<State>('not here')
  useEffect(() => {
    void (async () => {
      const { keptPack, pageKept } = await onDevice()
      const pack = await keptPack(runId).catch(() => null)
      if (pack && (await pageKept())) setState('here')
    })()
  }, [runId])
  const take = async () => {
    setState('working')
    try {
      const { pageKept, takeRun } = await onDevice()
      await takeRun(runId)
      setState((await pageKept()) ? 'here' : 'no worker')
    } catch {
      setState('failed')
    }
  }
  return (
    <span
      style={{
        display: 'inline-flex',
        gap: 8,
        alignItems: 'center',
        color: 'var(--soft)',
        fontSize: '0.88rem',
      }}
    >
      {state !== 'here' && (
        <Button
          size="small"
          onClick={() => void take()}
          disabled={state === 'working'}
          aria-label={`Take ${name} along`}
        >
          Take it along
        </Button>
      )}
      <span role="status">{WORDS[state]}</span>
    </span>
  )
}
